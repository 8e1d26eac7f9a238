/** What a new field needs to be told, by what it holds. */
export const addField = () => ({
  init() {
    this.show();
  },
  show() {
    this.$root.querySelectorAll('[data-kind]').forEach((part) => {
      part.hidden = part.dataset.kind !== this.$refs.kind.value;
    });
  },
});
