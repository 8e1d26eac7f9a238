/**
 * The line one writes on: a combobox that lists what may come next. Tab completes, Enter keeps, Escape leaves, up and down choose.
 * Without this the field and its button do the same.
 */
export default () => ({
  asked: 0,
  at: -1,
  timer: null,
  init() {
    // A place that was opened before this was ready is written on already.
    this.$nextTick(() => {
      if (document.activeElement === this.$refs.text) this.look();
    });
    // Where the list covers what stands below it.
    if (!('stays' in this.$root.dataset)) this.$root.addEventListener('focusout', () => this.close());
  },
  typed() {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.ask(), 90);
  },
  look() {
    this.ask();
  },
  /** Several lines are kept as they are: the line becomes a box. */
  paste(event) {
    const pasted = event.clipboardData.getData('text').replace(/\r\n/g, '\n').replace(/\n+$/, '');
    if (!pasted.includes('\n')) return;
    event.preventDefault();
    const line = this.$refs.text;
    const box = document.createElement('textarea');
    box.className = line.className;
    box.id = line.id;
    box.name = line.name;
    box.value = line.value + pasted;
    box.rows = Math.min(14, box.value.split('\n').length);
    this.close();
    line.replaceWith(box);
    box.focus();
  },
  async ask() {
    const text = this.$refs.text;
    const number = ++this.asked;
    const url = new URL(this.$root.dataset.completions, window.location.href);
    url.searchParams.set('which', this.$root.dataset.which);
    url.searchParams.set('text', text.value.slice(0, text.selectionStart));
    const answer = await fetch(url, { headers: { 'HX-Request': 'true' } }).catch(() => null);
    const list = answer?.ok ? await answer.text() : null;
    // One who has left, or writes on, waits for nothing.
    if (list === null || number !== this.asked || document.activeElement !== text) return;
    this.$refs.list.innerHTML = list;
    this.options().forEach((option, i) => {
      option.id = `${this.$refs.list.id}-${i}`;
    });
    this.at = -1;
    this.$refs.list.hidden = false;
    text.setAttribute('aria-expanded', 'true');
    text.removeAttribute('aria-activedescendant');
  },
  options() {
    return [...this.$refs.list.querySelectorAll('[role=option]:not([aria-disabled])')];
  },
  choose(at) {
    const options = this.options();
    if (options.length === 0) return;
    this.at = (at + options.length) % options.length;
    options.forEach((option, i) => option.setAttribute('aria-selected', String(i === this.at)));
    options[this.at].scrollIntoView({ block: 'nearest' });
    this.$refs.text.setAttribute('aria-activedescendant', options[this.at].id);
  },
  /** Puts a whole into the line; what stands behind the cursor stays. */
  take(option) {
    const text = this.$refs.text;
    const behind = text.value.slice(text.selectionStart);
    const whole = option.dataset.whole.replace(/"…"$/, '""');
    text.value = whole + (behind === '' && !whole.endsWith('""') ? ' ' : behind);
    const end = whole.endsWith('""') ? whole.length - 1 : text.value.length - behind.length;
    text.setSelectionRange(end, end);
    text.focus();
    this.ask();
  },
  pick(event) {
    const option = event.target.closest('[role=option]:not([aria-disabled])');
    if (!option) return;
    // The first of a list that has come to an end is the sentence itself.
    if (option.classList.contains('ends')) this.keep();
    else this.take(option);
  },
  keep() {
    this.$root.requestSubmit(this.$root.querySelector('button.go'));
  },
  key(event) {
    const open = !this.$refs.list.hidden;
    if (event.key === 'Tab' && !event.shiftKey && open) {
      const option = this.options()[Math.max(0, this.at)];
      const first = option?.classList.contains('ends') ? this.options()[1] : option;
      if (first) {
        event.preventDefault();
        this.take(first);
      }
    } else if (event.key === 'Enter') {
      event.preventDefault();
      const option = open && this.at >= 0 ? this.options()[this.at] : null;
      if (option && !option.classList.contains('ends')) this.take(option);
      else this.keep();
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      if (!open) return;
      event.preventDefault();
      this.choose(event.key === 'ArrowDown' ? this.at + 1 : Math.max(this.at, 0) - 1);
    } else if (event.key === 'Escape') {
      event.stopPropagation();
      if (open) this.close();
      else this.leave();
    }
  },
  close() {
    this.asked++;
    this.$refs.list.hidden = true;
    this.$refs.text.setAttribute('aria-expanded', 'false');
    this.$refs.text.removeAttribute('aria-activedescendant');
  },
  leave() {
    this.close();
    const details = this.$root.closest('details');
    details?.removeAttribute('open');
    (
      details?.closest('.sentence')?.querySelector('.reads') ??
      details?.previousElementSibling?.querySelector?.('.reads') ??
      details?.querySelector('summary')
    )?.focus();
  },
});
