/** The text of a sheet: coloured, completed, with what is wrong at its line. */
import { autocompletion, type CompletionContext, completionKeymap } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { json } from '@codemirror/lang-json';
import { yaml } from '@codemirror/lang-yaml';
import { HighlightStyle, indentOnInput, syntaxHighlighting } from '@codemirror/language';
import { type Diagnostic, lintGutter, setDiagnostics } from '@codemirror/lint';
import { highlightSelectionMatches, searchKeymap } from '@codemirror/search';
import { Annotation, EditorState } from '@codemirror/state';
import {
  drawSelection,
  EditorView,
  highlightActiveLine,
  highlightActiveLineGutter,
  keymap,
  lineNumbers,
} from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { useEffect, useRef } from 'react';
import type { Remark } from '../../../api/sheet-schemas';
import { useStable } from '../../useStable';
import { offersAt, type Schema } from './complete';

interface TextFieldProps {
  path: string;
  text: string;
  remarks: Remark[];
  schema: Schema | undefined;
  /** The line that was asked for; the same line again where `turn` is another. */
  line: { number: number; turn: number } | undefined;
  onChange(text: string): void;
  onSave(): void;
}

const COLOURS = HighlightStyle.define([
  { tag: [tags.propertyName, tags.definition(tags.propertyName)], color: 'var(--code-token-keyword)' },
  { tag: [tags.string, tags.content], color: 'var(--code-token-string)' },
  { tag: [tags.number, tags.bool, tags.null], color: 'var(--code-token-constant)' },
  { tag: tags.comment, color: 'var(--code-token-comment)' },
  {
    tag: [tags.punctuation, tags.separator, tags.brace, tags.squareBracket],
    color: 'var(--code-token-punctuation)',
  },
]);

const LOOK = EditorView.theme({
  '&': { height: '100%', color: 'var(--ink)', backgroundColor: 'var(--sheet)', fontSize: '12.5px' },
  '&.cm-focused': { outline: '1px solid var(--accent)', outlineOffset: '-1px' },
  '.cm-scroller': { fontFamily: 'var(--font-mono)', lineHeight: '19px' },
  '.cm-content': { caretColor: 'var(--ink)', paddingBottom: '30vh' },
  '.cm-cursor': { borderLeftColor: 'var(--ink)' },
  '.cm-gutters': {
    backgroundColor: 'var(--ground)',
    color: 'var(--faint)',
    borderRight: '1px solid var(--line)',
  },
  '.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--row)' },
  '.cm-selectionBackground, &.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground': {
    backgroundColor: 'var(--chosen)',
  },
  '.cm-selectionMatch': { backgroundColor: 'var(--mark)' },
  '.cm-tooltip': {
    backgroundColor: 'var(--sheet)',
    color: 'var(--ink)',
    border: '1px solid var(--line-strong)',
    maxWidth: '44rem',
  },
  '.cm-tooltip-autocomplete ul li[aria-selected]': { backgroundColor: 'var(--chosen)', color: 'var(--ink)' },
  '.cm-completionDetail': { color: 'var(--soft)', fontStyle: 'normal', marginLeft: '1.2em' },
  '.cm-diagnostic': { padding: '4px 8px', fontFamily: 'var(--font-sans)' },
  '.cm-diagnostic-error': { borderLeft: '3px solid var(--error)' },
  '.cm-diagnostic-warning': { borderLeft: '3px solid var(--warning)' },
  '.cm-diagnostic-info': { borderLeft: '3px solid var(--note)' },
  '.cm-lint-marker': { width: '9px', height: '9px' },
  '.cm-lint-marker-error': { content: '""', backgroundColor: 'var(--error)', transform: 'rotate(45deg)' },
  '.cm-lint-marker-warning': { content: '""', backgroundColor: 'var(--warning)' },
  '.cm-lint-marker-info': { content: '""', border: '2px solid var(--note)' },
  '.cm-panels': { backgroundColor: 'var(--ground)', color: 'var(--ink)' },
});

/** A text that came from outside is no change of the writer's. */
const fromOutside = Annotation.define<boolean>();

const SEVERITY = { error: 'error', warning: 'warning', note: 'info' } as const;

export function TextField({ path, text, remarks, schema, line, onChange, onSave }: TextFieldProps) {
  const box = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView>(undefined);
  const known = useRef(schema);
  useEffect(() => {
    known.current = schema;
  }, [schema]);
  const change = useStable(onChange);
  const save = useStable(onSave);

  useEffect(() => {
    const complete = ({ state, pos, explicit }: CompletionContext) => {
      if (!known.current) return null;
      const { word, offers } = offersAt(known.current, state.sliceDoc(0, pos), state.sliceDoc(pos));
      if (!offers.length || (!word && !explicit)) return null;
      return {
        from: pos - word.length,
        options: offers.map(({ label, detail, text: apply }) => ({
          label,
          apply,
          ...(detail ? { detail } : {}),
        })),
        filter: false,
      };
    };
    const made = new EditorView({
      parent: box.current!,
      state: EditorState.create({
        extensions: [
          lineNumbers(),
          highlightActiveLineGutter(),
          history(),
          drawSelection(),
          indentOnInput(),
          highlightActiveLine(),
          highlightSelectionMatches(),
          syntaxHighlighting(COLOURS),
          path.endsWith('.json') ? json() : yaml(),
          lintGutter(),
          autocompletion({ override: [complete], icons: false }),
          keymap.of([
            { key: 'Mod-s', preventDefault: true, run: () => (save(), true) },
            ...completionKeymap,
            ...searchKeymap,
            ...historyKeymap,
            ...defaultKeymap,
          ]),
          EditorState.tabSize.of(2),
          EditorView.contentAttributes.of({ 'aria-label': `Text of ${path}` }),
          EditorView.updateListener.of((update) => {
            const isOwn = !update.transactions.some((one) => one.annotation(fromOutside));
            if (update.docChanged && isOwn) change(update.state.doc.toString());
          }),
          LOOK,
        ],
      }),
    });
    // It scrolls by the keyboard, too, without a cursor in it.
    made.scrollDOM.tabIndex = 0;
    view.current = made;
    return () => made.destroy();
  }, [path, change, save]);

  useEffect(() => {
    const { state } = view.current!;
    if (state.doc.toString() === text) return;
    view.current!.dispatch({
      changes: { from: 0, to: state.doc.length, insert: text },
      annotations: fromOutside.of(true),
    });
  }, [path, text]);

  useEffect(() => {
    const { state } = view.current!;
    const offset = (lineNumber: number, column: number): number => {
      const at = state.doc.line(Math.max(1, Math.min(state.doc.lines, lineNumber)));
      return Math.min(at.to, at.from + Math.max(0, column - 1));
    };
    const diagnostics = remarks.map((one): Diagnostic => {
      const from = offset(one.line, one.column);
      const to = Math.max(from, offset(one.endLine, one.endColumn));
      return {
        from,
        to,
        severity: one.level ? SEVERITY[one.level] : 'error',
        message: one.rule ? `${one.message} (${one.rule})` : one.message,
      };
    });
    view.current!.dispatch(setDiagnostics(state, diagnostics));
  }, [remarks, path]);

  useEffect(() => {
    if (!line) return;
    const made = view.current!;
    const at = made.state.doc.line(Math.max(1, Math.min(made.state.doc.lines, line.number)));
    made.dispatch({
      selection: { anchor: at.from + (at.text.length - at.text.trimStart().length) },
      effects: EditorView.scrollIntoView(at.from, { y: 'center' }),
    });
    made.focus();
  }, [line]);

  return <div ref={box} className="min-h-0 grow overflow-hidden" />;
}
