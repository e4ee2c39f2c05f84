/** Between what the engine and what the protocol call a place. */
import { join } from 'node:path';
import type { Location, Position, Range } from 'vscode-languageserver-types';
import { TextDocument } from 'vscode-languageserver-textdocument';
import { URI } from 'vscode-uri';
import { located } from '../core/model/parts';
import type { Place, Project } from '../core/model/project';
import type { Spot, TextOf } from '../core/report/places';

export interface Desk {
  root: string;
  project: Project;
  textOf: TextOf;
}

export const uriOf = ({ root }: Pick<Desk, 'root'>, path: string): string =>
  URI.file(join(root, path)).toString();

const documentOf = (text: string): TextDocument => TextDocument.create('', '', 0, text);

/** Lines and characters from 0, in UTF-16 code units, as the protocol has them where nothing else is agreed on. */
export const rangeOf = (spot: Spot): Range => ({
  start: { line: spot.line - 1, character: spot.column - 1 },
  end: { line: spot.endLine - 1, character: spot.endColumn - 1 },
});

export const offsetOf = (text: string, position: Position): number => documentOf(text).offsetAt(position);

export function rangeIn(text: string, start: number, end: number): Range {
  const document = documentOf(text);
  return { start: document.positionAt(start), end: document.positionAt(end) };
}

export function locationOf(desk: Desk, at: Place): Location {
  const { file, start, end } = located(desk.project, at);
  const { path } = desk.project.files[file]!;
  return { uri: uriOf(desk, path), range: rangeIn(desk.textOf(path), start, end) };
}

/** The number of a file in the project. */
export const fileAt = ({ project }: Desk, path: string): number | undefined =>
  project.files.find((one) => one.path === path)?.index;
