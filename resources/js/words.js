/** Changeable words open one at a time, and close with Escape or a click elsewhere; focus goes back to the word. */
export function closeWordsOutside(root) {
  const openWords = () => [...root.querySelectorAll('details.word[open]')];

  root.addEventListener('click', (event) => {
    openWords()
      .filter((word) => !word.contains(event.target))
      .forEach((word) => word.removeAttribute('open'));
  });

  root.addEventListener('keydown', (event) => {
    if (event.key !== 'Escape') return;
    openWords().forEach((word) => {
      word.removeAttribute('open');
      word.querySelector('summary').focus();
    });
  });

  root.addEventListener(
    'toggle',
    (event) => {
      const word = event.target;
      if (word.matches?.('details.word[open]')) {
        word.querySelector('input:not([type=hidden]), select, textarea')?.focus();
      }
    },
    true,
  );
}
