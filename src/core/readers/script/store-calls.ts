/** What a file calls of the packages that put stores together out of parts. */
import type * as t from '@babel/types';
import type { ImportFact } from '../../model/facts';
import { memberName } from './type-expr';
import { unwrap } from './unit';

const OFFERS: Record<string, RegExp> = {
  '@reduxjs/toolkit':
    /^(createSlice|createReducer|configureStore|combineReducers|combineSlices|createSelector|createAsyncThunk|bindActionCreators)$/,
  redux: /^(createStore|legacy_createStore|combineReducers|bindActionCreators)$/,
  reselect: /^createSelector$/,
  '@ngrx/store':
    /^(createReducer|createSelector|createFeatureSelector|createFeature|combineReducers|on|select|provideStore|provideState|StoreModule)$/,
  'react-redux': /^(useSelector)$/,
};

/** What a file calls of these packages. */
export interface StoreCalls {
  /** The name under which a package offers what a node calls. */
  name(node: t.Node): string | undefined;
  /** It makes whole stores. */
  makesStores: boolean;
  /** It calls anything of these. */
  any: boolean;
}

const NO_STORES: StoreCalls = { name: () => undefined, makesStores: false, any: false };

/** What makes whole stores, or adds parts to one. */
const MAKERS =
  /^(configureStore|createStore|legacy_createStore|provideStore|provideState|StoreModule(\.for(Root|Feature))?)$/;

export const makesStore = (name: string | undefined): boolean => name !== undefined && MAKERS.test(name);

export function storeCalls(imports: ImportFact[]): StoreCalls {
  const known = new Map<string, string>();
  for (const one of imports) if (OFFERS[one.from]?.test(one.name)) known.set(one.local, one.name);
  if (!known.size) return NO_STORES;
  return {
    name(node) {
      const call = unwrap(node);
      const name = call.type === 'CallExpression' ? memberName(call.callee) : undefined;
      const [first, ...rest] = name?.split('.') ?? [];
      const own = first === undefined ? undefined : known.get(first);
      return own === undefined ? undefined : [own, ...rest].join('.');
    },
    makesStores: [...known.values()].some(makesStore),
    any: true,
  };
}
