/** What holds a value that is handed over as such: subjects and forms, by the classes that they are made of. */
import type { Unit } from '../script/unit';

export const FORM = /^(Untyped)?Form(Control|Group|Array|Record)$/;
export const SUBJECT = /Subject$/;

/** `this.fb.group({ … })`, `inject(FormBuilder).group({ … })` */
const BUILT =
  /^(?:(?:this\.)?\w*(?:fb|[bB]uilder)|inject\(\w*FormBuilder\))(?:\.nonNullable)?\.(group|control|array|record)\s*[<(]/;

/** `wind = new BehaviorSubject(0)`: the class of what a member keeps, or nothing. */
export function madeOf({ facts, file }: Unit, symbol: number): string {
  const { init } = facts.symbols[symbol]!;
  const made = init?.from && facts.calls[init.from.call];
  if (made?.made) return made.name;
  const built = init && BUILT.exec(file.text.slice(init.start, init.end));
  return built ? `Form${built[1]!.charAt(0).toUpperCase()}${built[1]!.slice(1)}` : '';
}
