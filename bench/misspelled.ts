/** A name as one mistypes it. */

/** Two neighbouring letters swapped, or a letter more. */
export function misspelled(name: string): string {
  for (let i = 1; i + 1 < name.length; i++) {
    if (name[i] !== name[i + 1] && /[a-z]/i.test(name[i]!) && /[a-z]/i.test(name[i + 1]!)) {
      return name.slice(0, i) + name[i + 1]! + name[i]! + name.slice(i + 2);
    }
  }
  return `${name}x`;
}
