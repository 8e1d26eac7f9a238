import Sortable from 'sortablejs';
import htmx from 'htmx.org';

/** Which tests and values suit the chosen field. */
export const recordFilter = () => ({
  init() {
    this.fields = JSON.parse(this.$root.dataset.fields);
  },
  pick() {
    const field = this.fields[this.$refs.field.value];
    if (!field) return;
    this.$refs.test.replaceChildren(...Object.entries(field.tests).map(([value, says]) => new Option(says, value)));
    this.$refs.options.replaceChildren(...field.options.map((value) => new Option(value, value)));
    this.$refs.value.value = '';
  },
});

export const tickAll = () => ({
  all(event) {
    document.querySelectorAll('input[name="ticked[]"]').forEach((tick) => {
      tick.checked = event.target.checked;
    });
  },
});

/** Cards are dragged from column to column; the form in the card does the moving, as it does from the keyboard. */
export const board = () => ({
  init() {
    if (!this.$root.dataset.moves) return;
    this.$root.querySelectorAll('.board-cards').forEach((cards) => {
      Sortable.create(cards, {
        group: 'board',
        sort: false,
        delay: 120,
        delayOnTouchOnly: true,
        filter: '.board-move',
        preventOnFilter: false,
        onAdd(event) {
          const form = event.item.querySelector('form');
          if (!event.to.dataset.value) return event.from.appendChild(event.item);
          form.querySelector('select').value = event.to.dataset.value;
          htmx.trigger(form, 'submit');
        },
      });
    });
  },
});
