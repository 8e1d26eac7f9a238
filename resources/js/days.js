const dates = (field) => field.value.split(/[\s,;]+/).filter((one) => one !== '');

/** A button of a day is clicked: it is taken out; another: the day that was picked is taken in. */
export function takeDay(field, picked, button) {
  const days = dates(field);
  if (button.dataset.taken !== undefined) {
    field.value = days.filter((one) => one !== button.dataset.taken).join(', ');
  } else if (picked.value !== '' && !days.includes(picked.value)) {
    field.value = [...days, picked.value].sort().join(', ');
    picked.value = '';
  }
}

/** The days of a field as buttons that take them out. */
export function dayChips(field, { is, takeOut }) {
  return dates(field).map((date) => {
    const day = new Date(`${date}T12:00:00`);
    const named = Number.isNaN(day.getTime())
      ? date
      : day.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
    const chip = document.createElement('button');
    chip.type = 'button';
    chip.className = 'chip';
    chip.dataset.taken = date;
    chip.disabled = field.disabled;
    chip.title = takeOut;
    chip.textContent = `${named} ×`;
    chip.setAttribute('aria-label', `${is} ${named}: ${takeOut.toLowerCase()}`);
    return chip;
  });
}

/** Days picked from a calendar: what is kept is the field they can also be typed in. */
export default () => ({
  init() {
    this.field = this.$root.querySelector('textarea');
    this.draw();
  },
  clicked(event) {
    const button = event.target.closest('button');
    if (button === null) return;
    takeDay(this.field, this.$refs.day, button);
    this.draw();
  },
  draw() {
    this.$refs.days.replaceChildren(...dayChips(this.field, { is: 'Holiday on', takeOut: 'Take it out' }));
  },
});
