/** Addresses of the views, so that every mention of a thing leads to it in the same way. */

const query = (path: string, params: Record<string, string | number>): string => {
  const search = new URLSearchParams(Object.entries(params).map(([key, value]) => [key, String(value)]));
  return `${path}?${search}`;
};

export const links = {
  component: (id: string, ref: string) => query(`/p/${id}/component`, { ref }),
  joint: (id: string, ref: string, at: number, port?: string) =>
    query(`/p/${id}/joint`, { ref, at, ...(port === undefined ? {} : { port }) }),
  beside: (id: string, one?: string, other?: string) =>
    query(`/p/${id}/beside`, {
      ...(one === undefined ? {} : { one }),
      ...(other === undefined ? {} : { other }),
    }),
  sitesBeside: (id: string, one: string, at: number, and: number) =>
    query(`/p/${id}/beside`, { one, at, and }),
  strand: (id: string, ref: string) => query(`/p/${id}/strand`, { ref }),
  findings: (id: string, filter: Record<string, string>) => query(`/p/${id}/findings`, filter),
  finding: (id: string, fingerprint: string) => query(`/p/${id}/findings`, { finding: fingerprint }),
  rule: (id: string, name: string) => query(`/p/${id}/rule`, { name }),
  sheet: (id: string, path: string, line?: number) =>
    query(`/p/${id}/sheet`, { path, ...(line === undefined ? {} : { line }) }),
  rules: (id: string) => `/p/${id}/rule`,
  joined: (id: string) => `/p/${id}/joined?kind=tag`,
  through: (id: string, component: string) => query(`/p/${id}/rigging`, { component }),
  pinned: (id: string, ref: string) => query(`/p/${id}/rigging`, { pin: ref, strand: ref }),
};
