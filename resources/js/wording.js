/** The words of a text being changed: a plain box that becomes an editor with what is filled in as tokens, once that is loaded. */
/** Words that were typed and not kept when something else of the rule was changed, by their text and what they were before. */
const unkept = new Map();
const key = (box) => `${box.closest('.letter')?.dataset.step ?? ''}|${box.defaultValue}`;

/** Before the sentences come anew, what is typed elsewhere is put by. */
export function keepWords(root) {
  root.addEventListener('htmx:beforeSwap', (event) => {
    if (event.detail.target.id !== 'rule') return;
    unkept.clear();
    root.querySelectorAll('.letter form textarea[name=text]').forEach((box) => {
      if (box.value !== box.defaultValue && box.form !== event.detail.requestConfig?.elt)
        unkept.set(key(box), box.value);
    });
  });
}

export default () => ({
  editing: false,
  editor: null,
  init() {
    this.editing = Boolean(this.$root.querySelector('[data-open="1"]'));
    const typed = this.$refs.text && unkept.get(key(this.$refs.text));
    if (typed !== undefined && !this.editing) {
      this.editing = true;
      this.$refs.text.value = typed;
      this.$nextTick(() => this.begin(false));
    } else if (this.editing) this.$nextTick(() => this.begin());
  },
  open() {
    this.editing = true;
    this.$nextTick(() => this.begin());
  },
  async begin(here = true) {
    const text = this.$refs.text;
    if (here) {
      text.focus();
      text.setSelectionRange(text.value.length, text.value.length);
    }
    // Where no rule says what can be filled in, the plain box is all there is.
    if (text.dataset.fields === undefined) return;
    const { openEditor } = await import('./text-editor/open.js');
    if (!this.editing || this.editor || !text.isConnected) return;
    // Who has gone on meanwhile is not called back.
    const isHere = document.activeElement === text;
    this.editor = openEditor(text, this.$refs.token, { keep: () => this.keep(), leave: () => this.close() });
    if (isHere) this.editor.focus();
    text.dispatchEvent(new Event('input', { bubbles: true }));
  },
  close() {
    this.editing = false;
    this.editor?.remove();
    this.editor = null;
    this.$refs.text.value = this.$refs.text.defaultValue;
    this.$root.closest('.sentence')?.querySelector('.reads')?.focus();
  },
  keep() {
    this.$refs.text.form.requestSubmit();
  },
  plainly(event) {
    this.editor?.rewrite(event.currentTarget.dataset.plain);
    this.editor?.focus();
  },
  offerFields() {
    this.editor?.offer('{');
  },
  offerEmoji() {
    this.editor?.offer(':');
  },
  /** What Linnet says of the words: what is filled in, and what makes them cost more. */
  told(event) {
    const { tokens, costly } = event.currentTarget.querySelector('[data-tokens]')?.dataset ?? {};
    if (tokens) this.editor?.told(JSON.parse(tokens), costly);
  },
});
