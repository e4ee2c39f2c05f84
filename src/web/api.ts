/** The server, as the query layer of the store. */
import { createApi, fetchBaseQuery, type FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import type { DraftInput, DraftView, SaveSheetInput, SheetFile } from '../api/sheet-schemas';
import type { Schema } from './views/sheet/complete';
import type { Alike, CatalogueRow, ComponentView, JointView, Overview } from '../api/component-schemas';
import type {
  AuditSummary,
  Comparison,
  DecideInput,
  Finding,
  FindingRow,
  Hit,
  JoinedView,
  Problem,
  ProjectSummary,
  RiggingView,
  RowWindow,
  RuleView,
  StrandAsk,
  StrandView,
} from '../api/schemas';

export const api = createApi({
  reducerPath: 'api',
  // What changes something is sent as JSON, with or without a body.
  baseQuery: fetchBaseQuery({
    baseUrl: '/api',
    prepareHeaders: (headers, { type }) => {
      if (type === 'mutation') headers.set('content-type', 'application/json');
    },
  }),
  tagTypes: ['Projects', 'Audit', 'Decisions'],
  endpoints: (build) => ({
    projects: build.query<ProjectSummary[], void>({ query: () => '/projects', providesTags: ['Projects'] }),
    demos: build.query<{ name: string; path: string }[], void>({ query: () => '/demos' }),
    folders: build.query<string[], string>({ query: (path) => ({ url: '/folders', params: { path } }) }),
    project: build.query<ProjectSummary, string>({
      query: (id) => `/projects/${id}`,
      providesTags: ['Audit'],
    }),
    openProject: build.mutation<{ id: string }, string>({
      query: (path) => ({ url: '/projects', method: 'POST', body: { path } }),
      invalidatesTags: ['Projects'],
    }),
    auditAgain: build.mutation<{ id: string }, string>({
      query: (id) => ({ url: `/projects/${id}/audits`, method: 'POST' }),
    }),
    cancelAudit: build.mutation<{ cancelled: boolean }, string>({
      query: (id) => ({ url: `/projects/${id}/cancel`, method: 'POST' }),
    }),
    removeProject: build.mutation<void, string>({
      query: (id) => ({ url: `/projects/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Projects'],
    }),
    findings: build.query<FindingRow[], string>({
      query: (id) => `/projects/${id}/findings`,
      providesTags: ['Audit', 'Decisions'],
    }),
    finding: build.query<Finding, { id: string; fingerprint: string }>({
      query: ({ id, fingerprint }) => `/projects/${id}/findings/${encodeURIComponent(fingerprint)}`,
      providesTags: ['Audit'],
    }),
    rigging: build.query<RiggingView, { id: string; ask: string }>({
      query: ({ id, ask }) => `/projects/${id}/rigging?${ask}`,
      providesTags: ['Audit'],
    }),
    riggingRows: build.query<RowWindow, { id: string; ask: string; from: number; most: number }>({
      query: ({ id, ask, from, most }) => `/projects/${id}/rigging/rows?${ask}&from=${from}&most=${most}`,
      providesTags: ['Audit'],
    }),
    strand: build.query<StrandView, { id: string } & StrandAsk>({
      query: ({ id, ...params }) => ({ url: `/projects/${id}/strand`, params }),
      providesTags: ['Audit'],
    }),
    decide: build.mutation<void, { id: string } & DecideInput>({
      query: ({ id, ...body }) => ({ url: `/projects/${id}/decisions`, method: 'PUT', body }),
      invalidatesTags: ['Decisions'],
    }),
    undecide: build.mutation<void, { id: string; fingerprints: string[] }>({
      query: ({ id, ...body }) => ({ url: `/projects/${id}/decisions/undo`, method: 'POST', body }),
      invalidatesTags: ['Decisions'],
    }),
    audits: build.query<AuditSummary[], string>({
      query: (id) => `/projects/${id}/audits`,
      providesTags: ['Audit'],
    }),
    compare: build.query<Comparison, { id: string; from: number; to: number }>({
      query: ({ id, from, to }) => `/projects/${id}/compare?from=${from}&to=${to}`,
    }),
    catalogue: build.query<CatalogueRow[], string>({
      query: (id) => `/projects/${id}/catalogue`,
      providesTags: ['Audit'],
    }),
    rules: build.query<RuleView[], void>({ query: () => '/rules' }),
    overview: build.query<Overview, string>({
      query: (id) => `/projects/${id}/overview`,
      providesTags: ['Audit'],
    }),
    joined: build.query<JoinedView, string>({
      query: (id) => `/projects/${id}/joined`,
      providesTags: ['Audit'],
    }),
    component: build.query<ComponentView, { id: string; ref: string }>({
      query: ({ id, ref }) => `/projects/${id}/component?ref=${encodeURIComponent(ref)}`,
      providesTags: ['Audit'],
    }),
    alike: build.query<Alike, { id: string; ref?: string }>({
      query: ({ id, ref }) =>
        `/projects/${id}/alike${ref === undefined ? '' : `?ref=${encodeURIComponent(ref)}`}`,
      providesTags: ['Audit'],
    }),
    joint: build.query<JointView, { id: string; ref: string; at: number }>({
      query: ({ id, ref, at }) => `/projects/${id}/joint?ref=${encodeURIComponent(ref)}&at=${at}`,
      providesTags: ['Audit'],
    }),
    search: build.query<Hit[], { id: string; q: string }>({
      query: ({ id, q }) => `/projects/${id}/search?q=${encodeURIComponent(q)}`,
      providesTags: ['Audit'],
    }),
    sheetSchema: build.query<Schema, void>({ query: () => '/sheet-schema' }),
    sheets: build.query<string[], string>({
      query: (id) => `/projects/${id}/sheets`,
      providesTags: ['Audit'],
    }),
    sheet: build.query<SheetFile, { id: string; path: string }>({
      query: ({ id, path }) => `/projects/${id}/sheet?path=${encodeURIComponent(path)}`,
      // A file may have changed since anybody looked.
      keepUnusedDataFor: 0,
    }),
    sheetWritten: build.query<{ text: string }, string>({
      query: (id) => `/projects/${id}/sheet/written`,
      providesTags: ['Audit'],
    }),
    saveSheet: build.mutation<SheetFile, { id: string } & SaveSheetInput>({
      query: ({ id, ...body }) => ({ url: `/projects/${id}/sheet`, method: 'PUT', body }),
    }),
    draft: build.mutation<DraftView, { id: string } & DraftInput>({
      query: ({ id, ...body }) => ({ url: `/projects/${id}/sheet/draft`, method: 'POST', body }),
    }),
    source: build.query<string, { id: string; path: string }>({
      query: ({ id, path }) => ({
        url: `/projects/${id}/source?path=${encodeURIComponent(path)}`,
        responseHandler: 'text',
      }),
      providesTags: ['Audit'],
    }),
  }),
});

/** What the server said went wrong, in one sentence. */
export function reasonOf(error: unknown): string {
  const { data, status } = (error ?? {}) as FetchBaseQueryError;
  const problem = typeof data === 'string' ? parsed(data) : (data as Problem | undefined);
  if (problem?.detail) return problem.detail;
  if (status === 'FETCH_ERROR') return 'The server does not answer. Is it still running?';
  return problem?.title ?? 'Something went wrong.';
}

/** References that the server offers in place of one that names nothing, or several things. */
export function choicesOf(error: unknown): string[] {
  const { data } = (error ?? {}) as FetchBaseQueryError;
  const problem = typeof data === 'string' ? parsed(data) : (data as Problem | undefined);
  return problem?.choices ?? [];
}

/** The reference was found more than once. */
export const isSeveral = (error: unknown): boolean =>
  (error as FetchBaseQueryError | undefined)?.status === 300;

function parsed(text: string): Problem | undefined {
  try {
    return JSON.parse(text) as Problem;
  } catch {
    return undefined;
  }
}
