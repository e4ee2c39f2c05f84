/** Offsets to lines and columns. Both start at 1; columns count UTF-16 code units. */
export interface Position {
  line: number;
  column: number;
}

export interface LineIndex {
  at(offset: number): Position;
  /** Text of a line without its line break. */
  line(number: number): string;
  count: number;
}

export function lineIndex(text: string): LineIndex {
  const starts = [0];
  for (let i = text.indexOf('\n'); i >= 0; i = text.indexOf('\n', i + 1)) starts.push(i + 1);
  return {
    count: starts.length,
    at(offset) {
      let low = 0;
      let high = starts.length - 1;
      while (low < high) {
        const middle = (low + high + 1) >> 1;
        if (starts[middle]! <= offset) low = middle;
        else high = middle - 1;
      }
      return { line: low + 1, column: offset - starts[low]! + 1 };
    },
    line(number) {
      const start = starts[number - 1];
      if (start === undefined) return '';
      const end = starts[number] ?? text.length + 1;
      return text.slice(start, end - 1).replace(/\r$/, '');
    },
  };
}
