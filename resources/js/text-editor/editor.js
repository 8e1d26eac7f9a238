import { acceptCompletion, completionStatus } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { EditorState } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import { offer, offers } from './offers.js';
import { theme } from './theme.js';
import { costly, said, tagAt, tokens } from './tokens.js';

/**
 * The editor over a plain box, which keeps its words and is what is sent.
 *
 * @param acts "keep", "leave", "open", which shows the choices of a tag, and "moved", which says where places stand after a change
 */
export function textEditor(box, acts) {
  const { tokens: names, before, after, fields } = box.dataset;
  const openAt = (view, at) => {
    const tag = tagAt(view.state.doc.toString(), at);
    if (tag) acts.open(tag);
    return tag !== null;
  };
  const view = new EditorView({
    state: EditorState.create({
      doc: box.value,
      selection: { anchor: box.value.length },
      extensions: [
        EditorView.cspNonce.of(document.querySelector('link[nonce], script[nonce]')?.nonce ?? ''),
        theme,
        history(),
        offers(fields, (all) => view.dispatch({ effects: said.of(all) })),
        tokens(JSON.parse(names), { before, after }),
        keymap.of([
          { key: 'Tab', run: acceptCompletion },
          { key: 'F2', run: (of) => openAt(of, of.state.selection.main.head) },
          { key: 'Ctrl-Enter', run: () => (acts.keep(), true) },
          { key: 'Escape', run: (of) => completionStatus(of.state) === null && acts.leave() !== false },
          ...historyKeymap,
          ...defaultKeymap,
        ]),
        EditorView.lineWrapping,
        EditorView.contentAttributes.of({
          'aria-label': box.labels[0]?.textContent ?? '',
          'aria-invalid': box.getAttribute('aria-invalid') ?? 'false',
          spellcheck: 'true',
        }),
        EditorView.domEventHandlers({
          click: (event, of) =>
            event.target.closest?.('.token') !== null && openAt(of, of.posAtDOM(event.target.closest('.token'))),
        }),
        EditorView.updateListener.of((change) => {
          // Its arrows go through the list; what scrolls must be within reach all the same.
          change.view.dom.querySelector('.cm-tooltip-autocomplete > ul')?.setAttribute('tabindex', '0');
          if (!change.docChanged) return;
          acts.moved((at, side) => change.changes.mapPos(at, side));
          box.value = change.state.doc.toString();
          box.dispatchEvent(new Event('input', { bubbles: true }));
        }),
      ],
    }),
  });
  box.before(view.dom);
  box.hidden = true;

  return {
    focus: (at = null) => {
      if (at !== null) view.dispatch({ selection: { anchor: at } });
      view.focus();
    },
    /** Opens one of the lists, at the cursor or at a place. */
    offer: (sign, at = null) => {
      if (at !== null) view.dispatch({ selection: { anchor: at } });
      offer(view, sign);
    },
    told: (names, marks) => view.dispatch({ effects: [said.of(names), costly.of(marks)] }),
    /** Puts words in the place of a tag that is open; says where they stand now. */
    put(tag, words, says) {
      const names = says === undefined ? [] : [said.of({ [words]: says })];
      view.dispatch({ changes: { from: tag.from, to: tag.to, insert: words }, effects: names });
      return { from: tag.from, to: tag.from + words.length, tag: words };
    },
    insert: (words) => {
      view.dispatch(view.state.replaceSelection(words));
      view.focus();
    },
    rewrite: (words) => view.dispatch({ changes: { from: 0, to: view.state.doc.length, insert: words } }),
    remove: () => view.destroy(),
  };
}
