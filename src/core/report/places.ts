/** Places as people and other programs read them. */
import { lineIndex, type LineIndex } from '../model/lines';
import { located } from '../model/parts';
import type { Place, Project } from '../model/project';

export interface Spot {
  file: string;
  line: number;
  column: number;
  endLine: number;
  endColumn: number;
}

/** Looks texts up by path; an unknown path has an empty text. */
export type TextOf = (path: string) => string;

export interface Places {
  spot(place: Place): Spot;
  /** Text of the line on which a place starts, cut around the place where the line is long. */
  excerpt(place: Place): string;
  /** The text of a place. */
  text(place: Place): string;
}

/** Longer lines are cut. */
const MAX_LINE = 200;

export function placesOf(project: Project, textOf: TextOf): Places {
  const indexes = new Map<number, LineIndex>();
  const indexOf = (file: number) => {
    let index = indexes.get(file);
    if (!index) indexes.set(file, (index = lineIndex(textOf(project.files[file]!.path))));
    return index;
  };
  return {
    spot(at) {
      const place = located(project, at);
      const index = indexOf(place.file);
      const start = index.at(place.start);
      const end = index.at(place.end);
      return {
        file: project.files[place.file]!.path,
        line: start.line,
        column: start.column,
        endLine: end.line,
        endColumn: end.column,
      };
    },
    text(at) {
      const { file, start, end } = located(project, at);
      return textOf(project.files[file]!.path).slice(start, end);
    },
    excerpt(at) {
      const place = located(project, at);
      const index = indexOf(place.file);
      const { line, column } = index.at(place.start);
      const text = index.line(line);
      if (text.length <= MAX_LINE) return text.trim();
      const from = Math.max(0, column - 1 - MAX_LINE / 4);
      const to = from + MAX_LINE;
      return `${from ? '…' : ''}${text.slice(from, to).trim()}${to < text.length ? '…' : ''}`;
    },
  };
}
