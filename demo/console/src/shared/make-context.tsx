import { createContext, useContext, type ReactNode } from 'react';

/** A context with its own provider and hook; the hook refuses to be used where nothing is provided. */
export function makeContext<T>(name: string) {
  const Context = createContext<T | undefined>(undefined);
  function Provider({ value, children }: { value: T; children: ReactNode }) {
    return <Context.Provider value={value}>{children}</Context.Provider>;
  }
  function useValue(): T {
    const value = useContext(Context);
    if (value === undefined) throw new Error(`${name} is not provided here`);
    return value;
  }
  return [Provider, useValue] as const;
}
