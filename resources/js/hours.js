import { dayChips, takeDay } from './days.js';

const DAY = 1440;
const STEP = 15;
const KEYS = {
  ArrowLeft: -STEP,
  ArrowDown: -STEP,
  ArrowRight: STEP,
  ArrowUp: STEP,
  PageDown: -60,
  PageUp: 60,
  Home: -DAY,
  End: DAY,
};

const clock = (minutes) => {
  const within = minutes % DAY;
  return `${String(Math.floor(within / 60)).padStart(2, '0')}:${String(within % 60).padStart(2, '0')}`;
};
const minutes = (time) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/** "Monday to Friday 09:00 to 17:00; Saturday, Sunday closed." */
function sentence(days) {
  const groups = [];
  days.forEach(({ called, says }) => {
    const last = groups.at(-1);
    if (last?.says === says) last.days.push(called);
    else groups.push({ says, days: [called] });
  });
  const named = ({ days }) => (days.length > 2 ? `${days[0]} to ${days.at(-1)}` : days.join(', '));
  return groups.length === 1
    ? `Every day ${groups[0].says}.`
    : `${groups.map((one) => `${named(one)} ${one.says}`).join('; ')}.`;
}

/** A week's hours as bars: what is kept are the times that can also be typed. */
export default () => ({
  init() {
    this.days = [...this.$root.querySelectorAll('.day-hours')].map((row) => ({
      row,
      called: row.dataset.day,
      open: row.querySelector('[data-open]'),
      track: row.querySelector('.track'),
      from: row.querySelector('[data-end=from]'),
      to: row.querySelector('[data-end=to]'),
      said: row.querySelector('[data-says]'),
      typedFrom: this.typed(row.dataset.day, 'from'),
      typedTo: this.typed(row.dataset.day, 'to'),
    }));
    this.field = this.$root.querySelector('[name=closed]');
    this.draw();
  },
  typed(day, end) {
    return this.$root.querySelector(`[aria-label="${day}, ${end}"]`);
  },
  changed(event) {
    const day = this.days.find(({ row }) => row.contains(event.target));
    if (day !== undefined && event.target === day.open) {
      day.typedFrom.value = day.open.checked ? '09:00' : '';
      day.typedTo.value = day.open.checked ? '17:00' : '';
    }
    this.draw();
  },
  /** The end of a day that an event is about. */
  endOf(event) {
    const end = event.target.closest('[role=slider]');
    const day = this.days.find(({ row }) => row.contains(end));
    return end === null || day === undefined
      ? null
      : { end, day, field: end === day.from ? day.typedFrom : day.typedTo };
  },
  put({ end, field }, at) {
    const most = end.dataset.end === 'from' ? DAY - STEP : DAY;
    field.value = clock(Math.min(most, Math.max(DAY - most, Math.round(at / STEP) * STEP)));
    this.draw();
  },
  pressed(event) {
    const which = this.endOf(event);
    if (which === null || KEYS[event.key] === undefined) return;
    event.preventDefault();
    this.put(which, Number(which.end.getAttribute('aria-valuenow')) + KEYS[event.key]);
  },
  taken(event) {
    this.endOf(event)?.end.setPointerCapture(event.pointerId);
  },
  pulled(event) {
    const which = this.endOf(event);
    if (which === null || !which.end.hasPointerCapture(event.pointerId)) return;
    const track = which.day.track.getBoundingClientRect();
    this.put(which, (DAY * (event.clientX - track.left)) / track.width);
  },
  clicked(event) {
    const button = event.target.closest('button');
    if (button === null || button.getAttribute('role') === 'slider') return;
    takeDay(this.field, this.$refs.day, button);
    this.draw();
  },
  draw() {
    this.days.forEach((day) => {
      const isOpen = day.typedFrom.value !== '' && day.typedTo.value !== '';
      day.open.checked = isOpen;
      day.track.classList.toggle('closed', !isOpen);
      day.from.disabled = day.to.disabled = !isOpen || day.open.disabled;
      day.says = isOpen ? `${day.typedFrom.value} to ${day.typedTo.value}` : 'closed';
      day.said.textContent = day.says;
      if (!isOpen) return;
      const [from, to] = [minutes(day.typedFrom.value), minutes(day.typedTo.value) || DAY];
      day.from.setAttribute('aria-valuenow', from);
      day.to.setAttribute('aria-valuenow', to);
      day.from.setAttribute('aria-valuetext', day.typedFrom.value);
      day.to.setAttribute('aria-valuetext', day.typedTo.value);
      day.track.style.setProperty('--from', `${(100 * from) / DAY}%`);
      day.track.style.setProperty('--to', `${(100 * to) / DAY}%`);
      // An end at or before the beginning is the next morning's.
      day.track.classList.toggle('wraps', to <= from);
    });
    this.$refs.says.textContent = sentence(this.days);
    this.$refs.closed.replaceChildren(...dayChips(this.field, { is: 'Closed on', takeOut: 'Open it again' }));
  },
});
