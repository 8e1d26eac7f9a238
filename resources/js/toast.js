/** A note that something was done; it goes by itself, and stays while it is pointed at or read. */
export default () => ({
  shown: true,
  init() {
    this.timer = setTimeout(() => this.hide(), 6000);
  },
  stay() {
    clearTimeout(this.timer);
  },
  hide() {
    this.shown = false;
  },
});
