/** What a text leaves from and goes to stands in the line that opens the choice of them, as chosen. */
export default () => ({
  chosen() {
    const said = (name) => this.$root.querySelector(`[name=${name}]`).selectedOptions[0]?.textContent.trim() ?? '';
    this.$refs.says.textContent = `From ${said('line')} to ${said('number')}`;
  },
});
