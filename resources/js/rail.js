/** The rail on a narrow screen: folded into a bar until asked for. */
export default () => ({
  open: false,
  toggle() {
    this.open = !this.open;
  },
  get shown() {
    return this.open ? 'open' : '';
  },
});
