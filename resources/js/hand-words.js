/**
 * Words typed by hand: a plain box, as fits short answers, that becomes the editor with what is filled in as tokens once an
 * opening bracket is typed, or something is filled in already.
 */
export default () => ({
  editor: null,
  told: null,
  place: null,
  init() {
    const text = this.$refs.text;
    this.place = document.querySelector(text.getAttribute('hx-target'));
    this.told = () => {
      const { tokens, costly } = this.place.querySelector('[data-tokens]')?.dataset ?? {};
      if (tokens) this.editor?.told(JSON.parse(tokens), costly);
    };
    this.place?.addEventListener('htmx:afterSettle', this.told);
    if (text.value.includes('{{')) this.begin();
  },
  destroy() {
    this.place?.removeEventListener('htmx:afterSettle', this.told);
  },
  async begin() {
    const text = this.$refs.text;
    const { openEditor } = await import('./text-editor/open.js');
    if (this.editor || !text.isConnected || text.disabled) return;
    const isHere = document.activeElement === text;
    this.editor = openEditor(text, this.$refs.token, { keep: () => this.keep(), leave: () => false });
    if (isHere) this.editor.focus();
    text.dispatchEvent(new Event('input', { bubbles: true }));
  },
  typed(event) {
    const { value, selectionStart: at } = event.target;
    if (this.editor) return;
    if (event.data !== '{') {
      if (value.includes('{{')) this.begin();
      return;
    }
    event.target.value = value.slice(0, at - 1) + value.slice(at);
    event.target.setSelectionRange(at - 1, at - 1);
    this.offer();
  },
  async offer() {
    const { selectionStart: at } = this.$refs.text;
    const isNew = this.editor === null;
    await this.begin();
    this.editor?.offer('{', isNew ? at : null);
  },
  put(event) {
    const text = this.$refs.text;
    if (this.editor) return this.editor.insert(event.detail);
    text.setRangeText(event.detail, text.selectionStart, text.selectionEnd, 'end');
    text.dispatchEvent(new Event('input', { bubbles: true }));
    text.focus();
  },
  keep() {
    const { form } = this.$refs.text;
    form.requestSubmit(form.querySelector('[data-keep]'));
  },
});
