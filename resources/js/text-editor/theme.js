import { EditorView } from '@codemirror/view';

/** As the rest of Linnet looks. */
export const theme = EditorView.theme({
  '&': { border: '1px solid var(--soft)', borderRadius: '5px', backgroundColor: 'var(--raised)', color: 'var(--ink)' },
  '&.cm-focused': { outline: '2px solid var(--rose)', outlineOffset: '1px' },
  '.cm-scroller': { fontFamily: 'inherit', lineHeight: '1.7' },
  '.cm-content': { minHeight: '84px', padding: '6px 8px', caretColor: 'var(--ink)' },
  '.cm-line': { padding: '0' },
  '&.cm-focused .cm-cursor': { borderColor: 'var(--ink)' },
  '.cm-tooltip': {
    backgroundColor: 'var(--raised)',
    color: 'var(--ink)',
    border: '1px solid var(--line)',
    borderRadius: '0 0 6px 6px',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul': { font: '400 13.5px/1.4 var(--font-sans)', maxHeight: '230px' },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li': {
    display: 'flex',
    justifyContent: 'space-between',
    gap: '20px',
    padding: '5px 12px',
  },
  '.cm-tooltip.cm-tooltip-autocomplete > ul > li[aria-selected]': {
    backgroundColor: 'var(--rail)',
    color: 'var(--ink)',
  },
  '.cm-completionDetail': { color: 'var(--soft)', fontStyle: 'normal' },
  '.cm-completionMatchedText': { textDecoration: 'none', fontWeight: '600' },
});
