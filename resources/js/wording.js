/** The words of a text being changed: fields are put in where the cursor stands; an opening bracket leads to their list. */
export default () => ({
  editing: false,
  init() {
    this.editing = Boolean(this.$root.querySelector('[data-open="1"]'));
    if (this.editing) this.$nextTick(() => this.begin());
  },
  open() {
    this.editing = true;
    this.$nextTick(() => this.begin());
  },
  begin() {
    const text = this.$refs.text;
    text.focus();
    text.setSelectionRange(text.value.length, text.value.length);
    text.dispatchEvent(new Event('input', { bubbles: true }));
  },
  close() {
    this.editing = false;
    this.$refs.text.value = this.$refs.text.defaultValue;
  },
  keep(event) {
    event.currentTarget.form.requestSubmit();
  },
  typed(event) {
    if (event.data === '{') this.$refs.fields.querySelector('button').focus();
  },
  plainly(event) {
    const text = this.$refs.text;
    text.value = event.currentTarget.dataset.plain;
    text.focus();
    text.dispatchEvent(new Event('input', { bubbles: true }));
  },
  put(event) {
    const text = this.$refs.text;
    const name = event.currentTarget.dataset.field;
    const before = text.value.slice(0, text.selectionStart).replace(/\{{1,2}\s*$/, '');
    const after = text.value.slice(text.selectionEnd);
    text.value = `${before}{{ ${name} }}${after}`;
    const at = text.value.length - after.length;
    text.setSelectionRange(at, at);
    text.focus();
    text.dispatchEvent(new Event('input', { bubbles: true }));
  },
});
