import { autocompletion, startCompletion } from '@codemirror/autocomplete';
import { allEmoji, emojiNamed } from '../emoji.js';

async function fields(where) {
  const answer = await fetch(where, { headers: { 'HX-Request': 'true' } }).catch(() => null);
  return answer?.ok ? answer.json() : [];
}

async function emoji() {
  return (await allEmoji()).map((one) => ({ ...one, displayLabel: `${one.face} ${one.label}`, apply: one.face }));
}

/** An opening bracket lists what can be filled in, with the sample's values; a colon lists emoji by their names. */
export function offers(where, tell) {
  let known = null;
  let faces = null;
  const filled = async (context) => {
    const typed = context.matchBefore(/\{[^{}\n]*$/);
    if (!typed) return null;
    known ??= fields(where).then((all) => (tell(Object.fromEntries(all.map((one) => [one.whole, one.says]))), all));
    const doubled = context.state.sliceDoc(Math.max(0, typed.from - 1), typed.from) === '{';
    return {
      from: doubled ? typed.from - 1 : typed.from,
      options: (await known).map((one) => ({
        label: `{ ${one.says}`,
        displayLabel: one.says,
        detail: one.beside,
        apply: one.whole,
      })),
      filter: true,
    };
  };
  const drawn = async (context) => {
    const typed = context.matchBefore(/(?<=^|[\s.,!?]):[\p{L} ]*$/u);
    if (!typed || (typed.text === ':' && !context.explicit)) return null;
    faces ??= emoji();
    const name = typed.text.slice(1);
    const all = await faces;
    return {
      from: typed.from,
      options: emojiNamed(all, name),
      filter: false,
    };
  };
  return autocompletion({
    override: [filled, drawn],
    icons: false,
    interactionDelay: 0,
    maxRenderedOptions: 60,
    // In the order they come in: one's own first.
    compareCompletions: () => 0,
  });
}

/** Opens one of the lists where the cursor stands. */
export function offer(view, sign) {
  const at = view.state.selection.main.head;
  const before = view.state.sliceDoc(Math.max(0, at - 1), at);
  const insert = sign === ':' && before !== '' && !/[\s.,!?]/.test(before) ? ` ${sign}` : sign;
  view.dispatch({ changes: { from: at, insert }, selection: { anchor: at + insert.length } });
  view.focus();
  startCompletion(view);
}
