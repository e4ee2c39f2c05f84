/** Work that asks for more of its kind, and goes on with what that gives. */
export type Deep<T> = Generator<Deep<unknown>, T, never>;

/** Runs work that calls itself, however deep it goes: what waits is kept on the heap, where the stack would end. */
export function runDeep<T>(work: Deep<T>): T {
  const stack: Deep<unknown>[] = [work];
  let given: unknown;
  for (let top = stack.at(-1); top; top = stack.at(-1)) {
    const { done, value } = top.next(given as never);
    given = undefined;
    if (!done) stack.push(value);
    else {
      stack.pop();
      given = value;
    }
  }
  return given as T;
}
