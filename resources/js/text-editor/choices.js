/**
 * The choices of what is filled in, in a box below the words.
 *
 * @param where the address that draws them for a tag
 * @param editor gives the editor of the words, or null when it is gone
 */
export function tokenChoices(box, where, editor) {
  let tag = null;
  let asked = 0;
  let pending = null;
  let released = null;

  const ask = async (chosen = {}) => {
    const number = ++asked;
    const url = new URL(where, window.location.href);
    Object.entries({ token: tag.tag, ...chosen }).forEach(([name, value]) => url.searchParams.set(name, value));
    const answer = await fetch(url, { headers: { 'HX-Request': 'true' } }).catch(() => null);
    const words = answer?.ok ? await answer.text() : null;
    await released;
    // One who has asked again, or is done, waits for nothing.
    if (words === null || !editor() || !tag || number !== asked) return;
    const at = document.activeElement;
    const again = box.contains(at) ? [at.name, at.type === 'radio' ? at.value : null] : null;
    box.innerHTML = words;
    box.hidden = false;
    const { whole, says } = box.querySelector('[data-whole]').dataset;
    if (whole !== tag.tag) tag = editor().put(tag, whole, says);
    const same = [...box.querySelectorAll('input, select, textarea')];
    const next = again && same.find((one) => one.name === again[0] && (again[1] === null || one.value === again[1]));
    (next ?? same[0])?.focus();
    // What was typed meanwhile stays, and is said too.
    if (next?.matches('input:not([type=radio]), textarea') && at.value !== at.defaultValue) {
      next.value = at.value;
      meant(next);
      choose();
    }
  };
  /** Whoever writes what is said instead means it to be said. */
  const meant = (field) => {
    if (field.name === 'fallback' && field.value !== '')
      box.querySelector('[name=missing][value=words]').checked = true;
  };
  const choose = () => {
    if (!tag) return;
    const said = {};
    box.querySelectorAll('select, textarea, input').forEach((one) => {
      if (one.type !== 'radio' || one.checked) said[one.name] = one.value;
    });
    const mine = ask(said).finally(() => {
      if (pending === mine) pending = null;
    });
    pending = mine;
  };
  const shut = () => {
    asked++;
    tag = null;
    box.hidden = true;
    box.innerHTML = '';
  };
  const act = async (what) => {
    if (!what) return;
    await pending;
    if (!tag) return;
    const { from, to } = tag;
    if (what === 'out') editor().put(tag, '');
    shut();
    // One goes on writing behind it.
    editor()?.focus(what === 'out' ? from : to);
  };

  const heard = {
    input: (event) => meant(event.target),
    change: choose,
    click: (event) => act(event.target.closest('[data-act]')?.dataset.act),
    keydown: (event) => {
      if (event.key === 'Escape') {
        event.stopPropagation();
        act('done');
      } else if (event.key === 'Enter' && event.target.matches('input')) {
        event.preventDefault();
        event.target.blur();
        act('done');
      }
    },
    // A button that is taken away between its being pressed and let go is not clicked: what is answered meanwhile waits.
    pointerdown: () => {
      released = new Promise((done) => {
        const up = () => setTimeout(done);
        ['pointerup', 'pointercancel'].forEach((end) => window.addEventListener(end, up, { once: true }));
      });
    },
  };
  Object.entries(heard).forEach(([name, hears]) => box.addEventListener(name, hears));

  return {
    open: (one) => {
      tag = one;
      ask();
    },
    moved: (now) => {
      if (tag) tag = { ...tag, from: now(tag.from, 1), to: now(tag.to, -1) };
    },
    shut,
    /** What was chosen is in the words before they are sent. */
    hold: (event) => {
      if (!pending) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      const { target: form, submitter } = event;
      pending.then(() => form.requestSubmit(submitter));
    },
    remove: () => {
      shut();
      Object.entries(heard).forEach(([name, hears]) => box.removeEventListener(name, hears));
    },
  };
}
