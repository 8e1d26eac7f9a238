/** What was asked for in the page and did not come is said, in the words of the answer; what was typed stays where it is. */
let note = null;

function tell(words) {
  note = Object.assign(document.createElement('p'), { className: 'toast', textContent: words });
  document.getElementById('toast')?.replaceChildren(note);
}

// What asks for itself every few seconds fails in silence and asks again, but for one who is logged out.
const isAsked = ({ requestConfig }) => Boolean(requestConfig?.triggeringEvent);

// It stands until one tries again.
document.addEventListener('htmx:beforeRequest', ({ detail }) => isAsked(detail) && note?.remove());
document.addEventListener('htmx:responseError', ({ detail }) => {
  if (!isAsked(detail) && detail.xhr.status !== 401) return;
  const answer = new DOMParser().parseFromString(detail.xhr.responseText, 'text/html');
  const said = ['h1', 'h1 + p'].map((part) => answer.querySelector(part)?.textContent.trim() ?? '');
  tell(said[0] === '' ? 'That did not work. Load the page again, then try once more.' : `${said[0]}. ${said[1]}`);
});
document.addEventListener('htmx:sendError', ({ detail }) => {
  if (isAsked(detail)) tell('Linnet does not answer. What you typed stays here: try again in a moment.');
});
