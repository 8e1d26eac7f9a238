/** A question mark lists the keys; a slash leads to the search of the page. Neither while something is being typed. */
export function listenForKeys(root) {
  root.addEventListener('keydown', (event) => {
    const typing = event.target.closest?.('input, textarea, select, [contenteditable]');
    if (typing || event.ctrlKey || event.metaKey || event.altKey) return;

    if (event.key === '?') {
      root.querySelector('#keys')?.showModal();
    } else if (event.key === '/') {
      const search = root.querySelector('input[type=search]');
      if (search) {
        event.preventDefault();
        search.focus();
      }
    }
  });
}
