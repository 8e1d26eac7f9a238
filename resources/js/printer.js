/** A button that prints the page it stands on. */
export default () => ({
  print() {
    window.print();
  },
});
