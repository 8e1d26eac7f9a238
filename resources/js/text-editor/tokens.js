import { Decoration, EditorView, WidgetType } from '@codemirror/view';
import { StateEffect, StateField } from '@codemirror/state';

/** What is filled in, as the reader of templates finds its end: words in quotes may hold brackets. */
const TAG = /\{\{(?:["“”](?:[^"“”\\]|\\.)*["“”]|[^"“”}]|\}(?!\}))*\}\}/gsu;

/** What tags say, by the tag; told by Linnet as they come up. */
export const said = StateEffect.define();

/** The characters that make the text cost more. */
export const costly = StateEffect.define();

class Token extends WidgetType {
  constructor(tag, says) {
    super();
    this.tag = tag;
    this.says = says;
  }
  eq(other) {
    return other.tag === this.tag && other.says === this.says;
  }
  toDOM() {
    const token = document.createElement('span');
    token.className = 'merge token';
    token.textContent = this.says;
    token.title = 'Change what is filled in (F2)';
    return token;
  }
  ignoreEvent() {
    return false;
  }
}

class Added extends WidgetType {
  constructor(words) {
    super();
    this.words = words;
  }
  eq(other) {
    return other.words === this.words;
  }
  toDOM() {
    const added = document.createElement('span');
    added.className = 'added';
    added.textContent = this.words;
    added.title = 'Linnet adds this to the first text';
    return added;
  }
}

function drawn(text, names, marks, around) {
  // One that Linnet has not told of, or cannot read, stands as it is written.
  const all = [...text.matchAll(TAG)]
    .filter((tag) => names[tag[0]] !== undefined)
    .map((tag) =>
      Decoration.replace({ widget: new Token(tag[0], names[tag[0]]), tag: tag[0] }).range(
        tag.index,
        tag.index + tag[0].length,
      ),
    );
  const within = (at) => all.some((one) => at >= one.from && at < one.to);
  for (let at = 0; marks !== '' && at < text.length; at++) {
    const character = String.fromCodePoint(text.codePointAt(at));
    if (marks.includes(character) && !within(at))
      all.push(
        Decoration.mark({
          class: 'costly',
          attributes: { title: 'This character makes the whole text cost more' },
        }).range(at, at + character.length),
      );
    at += character.length - 1;
  }
  if (around.before !== '') all.push(Decoration.widget({ widget: new Added(around.before), side: -1 }).range(0));
  if (around.after !== '') all.push(Decoration.widget({ widget: new Added(around.after), side: 1 }).range(text.length));
  return Decoration.set(all, true);
}

/** Tags are drawn as what they say, and cannot be broken: one steps over them and takes them out whole. */
export function tokens(names, around) {
  const field = StateField.define({
    create: (state) => ({ names, marks: '', set: drawn(state.doc.toString(), names, '', around) }),
    update(was, change) {
      let { names, marks } = was;
      for (const effect of change.effects) {
        if (effect.is(said)) names = { ...names, ...effect.value };
        if (effect.is(costly)) marks = effect.value;
      }
      if (!change.docChanged && names === was.names && marks === was.marks) return was;
      return { names, marks, set: drawn(change.newDoc.toString(), names, marks, around) };
    },
    provide: (self) => [
      EditorView.decorations.from(self, (value) => value.set),
      EditorView.atomicRanges.of((view) =>
        view.state.field(self).set.update({ filter: (from, to, one) => one.spec.tag !== undefined }),
      ),
    ],
  });
  return field;
}

/** The tag at a place, or beside it. */
export function tagAt(text, at) {
  for (const tag of text.matchAll(TAG))
    if (at >= tag.index && at <= tag.index + tag[0].length)
      return { from: tag.index, to: tag.index + tag[0].length, tag: tag[0] };
  return null;
}
