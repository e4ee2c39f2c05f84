/** What a request must be to be let in, and what every answer tells the browser to keep shut. */
import type { RequestHandler } from 'express';
import { HttpProblem } from './problem';

/** Only pages that this server gave out may talk to it: the browser's Host and Origin must be its own. */
export const sameOrigin: RequestHandler = (request, _response, next) => {
  const host = request.headers.host ?? '';
  const port = request.socket.localPort;
  const own = new Set([`127.0.0.1:${port}`, `localhost:${port}`]);
  const { origin } = request.headers;
  if (!own.has(host))
    throw new HttpProblem(403, 'Not this host', `the server answers as 127.0.0.1:${port} only`);
  if (origin !== undefined && !own.has(origin.replace(/^http:\/\//, ''))) {
    throw new HttpProblem(403, 'Not this origin', 'another page asked');
  }
  next();
};

/**
 * What changes something comes from a page of this server, as the browser says it (Fetch Metadata), or from no page, and
 * is JSON: no form and no image of another page can send that.
 */
export const changesOnlyByOwnPages: RequestHandler = (request, _response, next) => {
  if (/^(GET|HEAD|OPTIONS)$/.test(request.method)) {
    next();
    return;
  }
  const site = request.headers['sec-fetch-site'];
  if (site !== undefined && site !== 'same-origin' && site !== 'none')
    throw new HttpProblem(403, 'Not this origin', 'another page asked');
  if (!/^application\/json\s*(;|$)/i.test(request.headers['content-type'] ?? ''))
    throw new HttpProblem(
      415,
      'Not JSON',
      'content-type: what changes something is sent as application/json',
    );
  next();
};

const POLICY = [
  "default-src 'none'",
  "script-src 'self'",
  "worker-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data:",
  "font-src 'self'",
  "connect-src 'self'",
  "base-uri 'none'",
  "form-action 'none'",
  "frame-ancestors 'none'",
].join('; ');

/** Headers of every answer. Data is never kept by the browser. */
export const closed: RequestHandler = (request, response, next) => {
  response.setHeader('content-security-policy', POLICY);
  response.setHeader('x-content-type-options', 'nosniff');
  response.setHeader('referrer-policy', 'no-referrer');
  response.setHeader('cross-origin-resource-policy', 'same-origin');
  if (request.path.startsWith('/api')) response.setHeader('cache-control', 'no-store');
  next();
};
