import { textEditor } from './editor.js';
import { tokenChoices } from './choices.js';

/** The editor of the words in a box, with the choices of what is filled in below it. */
export function openEditor(text, box, { keep, leave }) {
  let editor = null;
  const choices = tokenChoices(box, text.dataset.token, () => editor);
  editor = textEditor(text, { keep, leave, moved: choices.moved, open: choices.open });
  const form = text.form;
  form.addEventListener('submit', choices.hold, true);

  return {
    ...editor,
    remove() {
      form.removeEventListener('submit', choices.hold, true);
      choices.remove();
      editor.remove();
      editor = null;
      text.hidden = false;
    },
  };
}
