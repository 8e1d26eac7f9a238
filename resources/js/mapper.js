/** A chosen value lights the fields it can be put into; the one chosen last is remembered for the eye. */
export const mapper = () => ({
  choose() {
    this.$root.classList.add('choosing');
  },
});

/** The fields of the cleaning step that is being added. */
export const steps = () => ({
  pick(event) {
    this.$root.querySelectorAll('[data-step]').forEach((fields) => {
      fields.hidden = fields.dataset.step !== event.target.value;
    });
  },
});
