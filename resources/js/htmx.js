import htmx from 'htmx.org';

htmx.config.allowEval = false;
htmx.config.includeIndicatorStyles = false;
htmx.config.historyCacheSize = 0;
// Not the style: the content policy takes none, and what a script hid is not hidden in the answer.
htmx.config.attributesToSettle = ['class', 'width', 'height'];
// An answer that refuses is shown too: the errors stand at their fields.
htmx.config.responseHandling = [
  { code: '204', swap: false },
  { code: '[23]..', swap: true },
  { code: '409', swap: true },
  { code: '422', swap: true },
  { code: '...', swap: false, error: true },
];
// What is being typed is not taken away by a page that shows itself anew: neither asked for, nor, where somebody began meanwhile, put in.
const isTypedIn = ({ elt, triggeringEvent }) =>
  (triggeringEvent === undefined || triggeringEvent === null) &&
  [...elt.querySelectorAll('.own-form form, .acts details[open]')].some((one) => one.checkVisibility());
document.addEventListener('htmx:beforeRequest', (event) => {
  if (isTypedIn(event.detail.requestConfig ?? event.detail)) event.preventDefault();
});
document.addEventListener('htmx:beforeSwap', (event) => {
  if (isTypedIn(event.detail.requestConfig)) event.detail.shouldSwap = false;
});
// The morphing extension looks for it here.
window.htmx = htmx;
