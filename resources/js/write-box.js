import { allEmoji, emojiNamed } from './emoji.js';

/** What is put into a text that is typed by hand, where one stands in it: emoji, and what is filled in for whom it is for. */
export default () => ({
  faces: null,
  async find(event) {
    this.faces ??= allEmoji();
    const all = await this.faces;
    const typed = event.target.matches('input') ? event.target.value : '';
    this.$refs.faces.replaceChildren(
      ...emojiNamed(all, typed).map((one) => {
        const button = document.createElement('button');
        Object.assign(button, { type: 'button', className: 'face', title: one.label, textContent: one.face });
        button.dataset.put = one.face;
        button.setAttribute('aria-label', one.label);
        return button;
      }),
    );
  },
  put(event) {
    const words = event.target.closest('[data-put]')?.dataset.put;
    if (words !== undefined) this.tell('put', words);
  },
  fillIn() {
    this.tell('offer');
  },
  tell(name, detail) {
    document.getElementById('text')?.dispatchEvent(new CustomEvent(name, { detail }));
  },
});
