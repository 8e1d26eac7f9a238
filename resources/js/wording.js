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
  tag: null,
  asked: 0,
  pending: null,
  released: null,
  init() {
    this.editing = Boolean(this.$root.querySelector('[data-open="1"]'));
    const typed = this.$refs.text && unkept.get(key(this.$refs.text));
    if (typed !== undefined && !this.editing) {
      this.editing = true;
      this.$refs.text.value = typed;
      this.$nextTick(() => this.begin(false));
    } else if (this.editing) this.$nextTick(() => this.begin());
    this.$refs.token?.addEventListener('input', (event) => this.meant(event.target));
    this.$refs.token?.addEventListener('change', () => this.chosen());
    this.$refs.token?.addEventListener('click', (event) => this.act(event.target.closest('[data-act]')?.dataset.act));
    this.$refs.token?.addEventListener('keydown', (event) => this.within(event));
    this.$refs.token?.addEventListener('pointerdown', () => this.press());
    // What was chosen of a tag is in the words before they are sent.
    this.$root.addEventListener('submit', (event) => this.wait(event), true);
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
    const { textEditor } = await import('./text-editor/editor.js');
    if (!this.editing || this.editor || !text.isConnected) return;
    // Who has gone on meanwhile is not called back.
    const isHere = document.activeElement === text;
    this.editor = textEditor(text, {
      keep: () => this.keep(),
      leave: () => this.close(),
      moved: (now) => {
        if (this.tag) this.tag = { ...this.tag, from: now(this.tag.from, 1), to: now(this.tag.to, -1) };
      },
      open: (tag) => {
        this.tag = tag;
        this.choices();
      },
    });
    if (isHere) this.editor.focus();
    text.dispatchEvent(new Event('input', { bubbles: true }));
  },
  close() {
    this.editing = false;
    this.editor?.remove();
    this.editor = null;
    this.shut();
    this.$refs.text.hidden = false;
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
  /** The choices of a tag, below the words. */
  async choices(chosen = {}) {
    const box = this.$refs.token;
    const number = ++this.asked;
    const url = new URL(this.$refs.text.dataset.token, window.location.href);
    Object.entries({ token: this.tag.tag, ...chosen }).forEach(([name, value]) => url.searchParams.set(name, value));
    const answer = await fetch(url, { headers: { 'HX-Request': 'true' } }).catch(() => null);
    const words = answer?.ok ? await answer.text() : null;
    await this.released;
    // One who has asked again, or is done, waits for nothing.
    if (words === null || !this.editor || !this.tag || number !== this.asked) return;
    const at = document.activeElement;
    const again = box.contains(at) ? [at.name, at.type === 'radio' ? at.value : null] : null;
    box.innerHTML = words;
    box.hidden = false;
    const { whole, says } = box.querySelector('[data-whole]').dataset;
    if (whole !== this.tag.tag) this.tag = this.editor.put(this.tag, whole, says);
    const same = [...box.querySelectorAll('input, select, textarea')];
    const next = again && same.find((one) => one.name === again[0] && (again[1] === null || one.value === again[1]));
    (next ?? same[0])?.focus();
    // What was typed meanwhile stays, and is said too.
    if (next?.matches('input:not([type=radio]), textarea') && at.value !== at.defaultValue) {
      next.value = at.value;
      this.meant(next);
      this.chosen();
    }
  },
  /** A button that is taken away between its being pressed and let go is not clicked: what is answered meanwhile waits. */
  press() {
    this.released = new Promise((done) => {
      const up = () => setTimeout(done);
      ['pointerup', 'pointercancel'].forEach((end) => window.addEventListener(end, up, { once: true }));
    });
  },
  /** Whoever writes what is said instead means it to be said. */
  meant(field) {
    if (field.name === 'fallback' && field.value !== '')
      this.$refs.token.querySelector('[name=missing][value=words]').checked = true;
  },
  chosen() {
    if (!this.tag) return;
    const said = {};
    this.$refs.token.querySelectorAll('select, textarea, input').forEach((one) => {
      if (one.type !== 'radio' || one.checked) said[one.name] = one.value;
    });
    const pending = this.choices(said).finally(() => {
      if (this.pending === pending) this.pending = null;
    });
    this.pending = pending;
  },
  wait(event) {
    if (!this.pending) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    const form = event.target;
    this.pending.then(() => form.requestSubmit());
  },
  async act(what) {
    if (!what) return;
    await this.pending;
    if (!this.tag) return;
    if (what === 'out') this.editor.put(this.tag, '');
    this.shut();
    this.editor?.focus();
  },
  within(event) {
    if (event.key === 'Escape') {
      event.stopPropagation();
      this.act('done');
    } else if (event.key === 'Enter' && event.target.matches('input')) {
      event.preventDefault();
      event.target.blur();
      this.act('done');
    }
  },
  shut() {
    this.asked++;
    this.tag = null;
    this.$refs.token.hidden = true;
    this.$refs.token.innerHTML = '';
  },
});
