/** The sentences of a rule, by keyboard and mouse: a line opens below with Enter, a sentence is moved with Alt and the arrows or by dragging. */
export const sentences = () => ({
  held: null,
  init() {
    this.$root.querySelectorAll('[data-movable] > .reads').forEach((said) => said.setAttribute('draggable', 'true'));
    const open = this.$root.querySelector('details.between[open] [name=text], details.rewrite[open] [name=text]');
    if (open?.hasAttribute('aria-invalid')) open.focus();
  },
  key(event) {
    const said = event.target.closest?.('.reads');
    if (event.target !== said) return;
    const sentence = said.closest('.sentence');
    const moves = { ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'lift', ArrowRight: 'nest' };
    if (event.key === 'Enter') {
      event.preventDefault();
      const gaps = this.gaps(sentence);
      this.open(event.shiftKey ? gaps[gaps.length - 1] : gaps[0]);
    } else if (event.key === 'F2') {
      event.preventDefault();
      this.open(sentence.querySelector('details.rewrite'));
    } else if (event.altKey && moves[event.key] && sentence.hasAttribute('data-movable')) {
      event.preventDefault();
      this.act(sentence, moves[event.key]);
    } else if (event.key === 'Delete' && sentence.querySelector('[value=remove]')) {
      event.preventDefault();
      this.act(sentence, 'remove');
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      const all = [...this.$root.querySelectorAll('.reads[tabindex]')];
      all[all.indexOf(said) + (event.key === 'ArrowDown' ? 1 : -1)]?.focus();
    }
  },
  click(event) {
    const rewrite = event.target.closest('[data-rewrite]');
    if (rewrite) this.open(rewrite.closest('.sentence').querySelector('details.rewrite'));
  },
  gaps(sentence) {
    const gaps = [];
    for (let next = this.after(sentence); next?.matches('details.between'); next = this.after(next)) gaps.push(next);
    return gaps;
  },
  /** What stands next: behind the last of several wordings side by side, what stands below them. */
  after(one) {
    const beside = one.parentElement.matches('.wordings > div') && !one.nextElementSibling ? one.parentElement : null;
    return one.nextElementSibling ?? (beside && !beside.nextElementSibling ? this.after(beside.parentElement) : null);
  },
  open(details) {
    if (!details) return;
    details.setAttribute('open', '');
    const text = details.querySelector('[name=text]');
    text.focus();
    text.setSelectionRange(text.value.length, text.value.length);
  },
  act(sentence, what, more = {}) {
    const form = document.getElementById('act');
    const values = { do: what, line: sentence.dataset.line, ...more };
    Object.entries(values).forEach(([name, value]) => {
      form.elements[name].value = value;
    });
    // Where the focus goes when the sentences are there again.
    window.sessionStorage.setItem('linnet-sentence', sentence.querySelector('.reads').textContent.trim());
    form.requestSubmit();
  },
  drag(event) {
    this.held = event.target.closest?.('.sentence');
    event.dataTransfer.effectAllowed = 'move';
  },
  over(event) {
    const gap = event.target.closest?.('details.between');
    if (!this.held || !gap || !['steps', 'branch'].includes(gap.dataset.which)) return;
    event.preventDefault();
    this.$root.querySelectorAll('.between.aim').forEach((one) => one.classList.remove('aim'));
    gap.classList.add('aim');
  },
  drop(event) {
    const gap = event.target.closest?.('details.between');
    if (!this.held || !gap) return;
    event.preventDefault();
    this.act(this.held, 'move', { to: gap.dataset.before, depth: gap.dataset.toDepth });
    this.held = null;
  },
});

/** The choices for a word: the arrows go through them, Escape closes them and goes back to the word. */
export const choose = () => ({
  init() {
    const word = this.$root.closest('.sentence').querySelector('.w:focus, .w:hover');
    if (word)
      this.$root.style.left = `${Math.min(word.offsetLeft, Math.max(0, this.$root.parentElement.clientWidth - this.$root.offsetWidth))}px`;
    const current =
      this.$root.querySelector('[aria-current]') ?? this.$root.querySelector('button.choice, input:not([type=hidden])');
    current?.focus();
  },
  key(event) {
    const all = [...this.$root.querySelectorAll('button.choice')];
    const at = all.indexOf(document.activeElement);
    if (event.key === 'Escape') {
      event.stopPropagation();
      const sentence = this.$root.closest('.sentence');
      this.$root.remove();
      sentence.querySelector('.reads')?.focus();
    } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && at >= 0) {
      event.preventDefault();
      all[(at + (event.key === 'ArrowDown' ? 1 : -1) + all.length) % all.length].focus();
    }
  },
});

/** After a change the focus goes to the sentence it was about. */
export function keepPlace(root) {
  root.addEventListener('htmx:afterSettle', () => {
    const rule = root.getElementById('rule');
    const line = rule?.dataset.changed;
    const words = window.sessionStorage.getItem('linnet-sentence');
    if (!rule || (!line && !words)) return;
    delete rule.dataset.changed;
    window.sessionStorage.removeItem('linnet-sentence');
    const all = [...rule.querySelectorAll('.reads[tabindex]')];
    const there =
      (words && all.find((reads) => reads.textContent.trim() === words)) || rule.querySelector(`#line-${line} .reads`);
    if (there && !rule.querySelector('[aria-invalid], [data-open="1"]')) there.focus();
  });
  root.addEventListener('click', (event) => {
    root.querySelectorAll('.choices > .choose').forEach((open) => {
      if (!open.closest('.sentence').contains(event.target)) open.remove();
    });
  });
  root.addEventListener(
    'toggle',
    (event) => {
      if (event.target.matches?.('details.between[open], details.rewrite[open]'))
        event.target.querySelector('[name=text]')?.focus();
    },
    true,
  );
  root.addEventListener('keydown', (event) => {
    if (
      !(event.ctrlKey || event.metaKey) ||
      event.key.toLowerCase() !== 'z' ||
      event.target.matches('input, textarea, [contenteditable]')
    )
      return;
    const button = root.getElementById(event.shiftKey ? 'redo' : 'undo');
    if (button) {
      event.preventDefault();
      button.click();
    }
  });
}
