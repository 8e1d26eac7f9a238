/** Pointing at a mark on the time line lights its sentence and shows its text on the handset, and the other way round. */
export default () => ({
  step: null,
  init() {
    this.step = this.$root.dataset.first || null;
    this.show();
  },
  point(event) {
    const place = event.target.closest('[data-step]');
    if (place && place.dataset.step !== this.step) {
      this.step = place.dataset.step;
      this.show();
    }
  },
  show() {
    this.$root.querySelectorAll('[data-step]').forEach((place) => {
      const lit = place.dataset.step === this.step;
      place.classList.toggle('lit', lit);
      if (place.hasAttribute('data-only-lit')) place.hidden = !lit;
    });
  },
});
