/** The HTTP face: routes under /api, the web app beside them. */
import { stat } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import express, { type ErrorRequestHandler, type Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { z } from 'zod';
import {
  decideSchema,
  type Live,
  openSchema,
  type Progress,
  riggingAskSchema,
  strandAskSchema,
  undecideSchema,
} from '../api/schemas';
import type { Database } from './db/database';
import { keepOverview, keptOverview } from './db/overviews';
import { auditsOf, compareAudits, hasAudit } from './db/audits';
import { rulesWithPages } from '../core/report/rule-page';
import { demosIn } from './demos';
import { foldersIn, ownFolder } from './folders';
import { decide, decisionsOf, undecide } from './db/decisions';
import { isOdd } from './db/kept';
import { findingOf, findingRowsOf, sourceOf } from './db/holding';
import { findProject, latestAudits, listProjects } from './db/projects';
import { changesOnlyByOwnPages, closed, sameOrigin } from './doors';
import { HttpProblem, notFound, unfound } from './problem';
import type { Following } from './live';
import type { Projects } from './projects';
import { sheetRoutes } from './sheets';

/** Milliseconds between signs of life on the stream of progress. */
const HEARTBEAT = 15_000;

export interface AppParts {
  db: Database;
  projects: Projects;
  /** Follows the folders of projects that somebody looks at. */
  live?: Following;
  logger: Logger;
  /** Folder of the built web app, if it is served. */
  web?: string;
  /** Folder of the demo projects. */
  demo?: string;
}

const notText = (field: string): HttpProblem =>
  new HttpProblem(400, 'Bad request', `${field}: it holds a NUL or half of a character`);

/** The first field of some input whose text is none. */
function oddIn(value: unknown, at: string): string | undefined {
  if (typeof value === 'string') return isOdd(value) ? at : undefined;
  if (value === null || typeof value !== 'object') return undefined;
  for (const [key, one] of Object.entries(value)) {
    const found = oddIn(one, at ? `${at}.${key}` : key);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** Checks input with a schema; the message names the field. */
function checked<T>(schema: z.ZodType<T>, input: unknown): T {
  const parsed = schema.safeParse(input);
  const odd = parsed.success ? oddIn(parsed.data, '') : undefined;
  if (odd !== undefined) throw notText(odd || 'body');
  if (parsed.success) return parsed.data;
  const [issue] = parsed.error.issues;
  throw new HttpProblem(400, 'Bad request', `${issue!.path.join('.') || 'body'}: ${issue!.message}`);
}

const windowSchema = z.object({
  from: z.coerce.number().int().min(0),
  most: z.coerce.number().int().min(1).max(1000),
});

export function createApp({ db, projects, live, logger, web, demo }: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger, autoLogging: { ignore: (request) => !request.url?.startsWith('/api') } }));
  app.use(closed, sameOrigin, changesOnlyByOwnPages);
  app.use(express.json({ limit: '1mb' }));

  const project = async (id: string) => {
    if (isOdd(id)) throw notText('id');
    return (await findProject(db, id)) ?? notFound('project', id);
  };
  const audited = async (id: string) => {
    await project(id);
    const [last] = await latestAudits(db, id);
    return last ?? notFound('audit of project', id);
  };

  /** The thread of a project whose folder is ahead of what was kept. */
  const ahead = async (id: string) => (live?.isAhead(id) ? projects.session(id) : undefined);

  app.get('/api/projects', async (_request, response) => {
    response.json(await listProjects(db));
  });
  app.get('/api/rules', (_request, response) => {
    response.json(rulesWithPages());
  });
  app.get('/api/demos', async (_request, response) => {
    response.json(demo === undefined ? [] : await demosIn(demo));
  });
  app.get('/api/folders', async (request, response) => {
    const { path } = checked(z.object({ path: z.string().max(4096) }), request.query);
    response.json(await foldersIn(path));
  });
  app.post('/api/projects', async (request, response) => {
    const { path } = checked(openSchema, request.body ?? {});
    const root = resolve(ownFolder(path));
    const found = await stat(root).catch(() => undefined);
    if (!found) throw new HttpProblem(404, 'No such folder', `path: there is no folder ${root}`);
    if (!found.isDirectory()) throw new HttpProblem(400, 'Not a folder', `path: ${root} is a file`);
    response.status(202).json({ id: await projects.open(root) });
  });
  app.get('/api/projects/:id', async (request, response) => {
    const row = await project(request.params.id);
    const [audit, before] = await latestAudits(db, row.id);
    const now = audit && (await (await ahead(row.id))?.ahead());
    response.json({
      ...row,
      ...(audit ? { audit: { ...audit, ...now } } : {}),
      ...(before ? { before: before.counts } : {}),
    });
  });
  app.delete('/api/projects/:id', async (request, response) => {
    await projects.remove((await project(request.params.id)).id);
    response.status(204).end();
  });
  app.post('/api/projects/:id/audits', async (request, response) => {
    const row = await project(request.params.id);
    if (!(await projects.audit(row.id)))
      throw new HttpProblem(409, 'Busy', 'an audit of this project is running');
    response.status(202).json({ id: row.id });
  });
  app.post('/api/projects/:id/cancel', async (request, response) => {
    const row = await project(request.params.id);
    response.json({ cancelled: await projects.cancel(row.id) });
  });
  // One stream for all projects: browsers open few connections to one host. Whoever comes back is told all there is. The
  // project that a page shows is followed for as long as it listens.
  app.get('/api/progress', async (request, response) => {
    const { project: shown } = checked(z.object({ project: z.string().max(100).optional() }), request.query);
    if (shown !== undefined) await project(shown);
    response.writeHead(200, { 'content-type': 'text/event-stream' });
    const send = (message: object) => response.write(`data: ${JSON.stringify(message)}\n\n`);
    const sendStep = (id: string, step: Progress) => send({ id, ...step });
    const sendLive = (id: string, one: Live) => send({ id, live: one });
    response.write('retry: 1000\n\n');
    const leave = shown === undefined ? undefined : live?.attend(shown);
    for (const [id, step] of projects.all()) sendStep(id, step);
    for (const [id, one] of live?.all() ?? []) sendLive(id, one);
    const stop = projects.follow(sendStep);
    const stopLive = live?.onStep(sendLive);
    // What stands between may end a connection on which nothing moves.
    const beat = setInterval(() => response.write(':\n\n'), HEARTBEAT);
    request.on('close', () => {
      clearInterval(beat);
      stop();
      stopLive?.();
      leave?.();
    });
  });
  app.get('/api/projects/:id/findings', async (request, response) => {
    const { id } = await audited(request.params.id);
    const decisions = await decisionsOf(db, request.params.id);
    const now = await ahead(request.params.id);
    const findings = (await now?.aheadFindings()) ?? (await findingRowsOf(db, id));
    response.json(
      findings.map((finding) => {
        const decision = decisions.get(finding.fingerprint);
        return decision ? { ...finding, decision } : finding;
      }),
    );
  });
  app.get('/api/projects/:id/findings/:fingerprint', async (request, response) => {
    const { id } = await audited(request.params.id);
    const { fingerprint } = request.params;
    if (isOdd(fingerprint)) throw notText('fingerprint');
    const now = await ahead(request.params.id);
    const finding =
      (await now?.aheadFinding(fingerprint)) ??
      (await findingOf(db, id, fingerprint)) ??
      notFound('finding', fingerprint);
    const decision = (await decisionsOf(db, request.params.id)).get(fingerprint);
    response.json(decision ? { ...finding, decision } : finding);
  });
  // All decisions by fingerprint, also those on what is not found any more: so they can be taken elsewhere.
  app.get('/api/projects/:id/decisions', async (request, response) => {
    const { id } = await project(request.params.id);
    response.json(Object.fromEntries(await decisionsOf(db, id)));
  });
  app.put('/api/projects/:id/decisions', async (request, response) => {
    const one = await project(request.params.id);
    const { fingerprints, verdict, reason } = checked(decideSchema, request.body ?? {});
    await decide(db, one, fingerprints, verdict, reason);
    response.status(204).end();
  });
  app.post('/api/projects/:id/decisions/undo', async (request, response) => {
    const one = await project(request.params.id);
    await undecide(db, one, checked(undecideSchema, request.body ?? {}).fingerprints);
    response.status(204).end();
  });
  app.get('/api/projects/:id/audits', async (request, response) => {
    response.json(await auditsOf(db, (await project(request.params.id)).id));
  });
  app.get('/api/projects/:id/compare', async (request, response) => {
    const { id } = await project(request.params.id);
    const audit = z.coerce.number().int().positive();
    const { from, to } = checked(z.object({ from: audit, to: audit }), request.query);
    for (const one of [from, to]) if (!(await hasAudit(db, id, one))) notFound('audit', String(one));
    response.json(await compareAudits(db, from, to));
  });
  app.get('/api/projects/:id/catalogue', async (request, response) => {
    await audited(request.params.id);
    response.json(await (await projects.session(request.params.id)).catalogue());
  });
  app.get('/api/projects/:id/overview', async (request, response) => {
    const { id } = request.params;
    const audit = await audited(id);
    const isAwake = projects.isAwake(id);
    const session = projects.session(id);
    // A project that was kept takes its time to be linked again: what was said of it is there at once.
    const kept = isAwake ? undefined : await keptOverview(db, audit.id);
    if (kept) {
      void session.catch(() => undefined);
      response.json(kept);
      return;
    }
    const view = await (await session).overview();
    if (!live?.isAhead(id) && (await audited(id)).id === audit.id) await keepOverview(db, audit.id, view);
    response.json(view);
  });
  app.get('/api/projects/:id/joined', async (request, response) => {
    await audited(request.params.id);
    response.json(await (await projects.session(request.params.id)).joined());
  });
  app.get('/api/projects/:id/component', async (request, response) => {
    const { ref } = checked(z.object({ ref: z.string().min(1).max(1000) }), request.query);
    await audited(request.params.id);
    const page = await (await projects.session(request.params.id)).component(ref);
    response.json('similar' in page ? unfound('component', ref, page) : page);
  });
  app.get('/api/projects/:id/alike', async (request, response) => {
    const { ref } = checked(z.object({ ref: z.string().min(1).max(1000).optional() }), request.query);
    await audited(request.params.id);
    const alike = await (await projects.session(request.params.id)).alike(ref);
    response.json('similar' in alike ? unfound('component', ref ?? '', alike) : alike);
  });
  app.get('/api/projects/:id/joint', async (request, response) => {
    const { ref, at } = checked(
      z.object({ ref: z.string().min(1).max(1000), at: z.coerce.number().int().min(0).default(0) }),
      request.query,
    );
    await audited(request.params.id);
    const joint = await (await projects.session(request.params.id)).joint(ref, at);
    if (joint && 'similar' in joint) unfound('component', ref, joint);
    response.json(joint ?? notFound('call site', `${ref}, number ${at}`));
  });
  app.get('/api/projects/:id/rigging', async (request, response) => {
    const { id } = await project(request.params.id);
    await audited(id);
    response.json(await (await projects.session(id)).rigging(checked(riggingAskSchema, request.query)));
  });
  app.get('/api/projects/:id/rigging/rows', async (request, response) => {
    const { id } = await project(request.params.id);
    await audited(id);
    const ask = checked(riggingAskSchema, request.query);
    const { from, most } = checked(windowSchema, request.query);
    response.json(await (await projects.session(id)).rows(ask, from, most));
  });
  app.get('/api/projects/:id/strand', async (request, response) => {
    const ask = checked(strandAskSchema, request.query);
    await audited(request.params.id);
    const strand = await (await projects.session(request.params.id)).strand(ask);
    if ('similar' in strand) unfound('port', ask.ref, strand);
    response.json(strand);
  });
  app.get('/api/projects/:id/search', async (request, response) => {
    const { q } = checked(z.object({ q: z.string().max(200) }), request.query);
    await audited(request.params.id);
    response.json(await (await projects.session(request.params.id)).search(q));
  });
  app.get('/api/projects/:id/source', async (request, response) => {
    const { path } = checked(z.object({ path: z.string().min(1).max(1000) }), request.query);
    const { id } = await audited(request.params.id);
    const now = await ahead(request.params.id);
    const text = (await now?.aheadSource(path)) ?? (await sourceOf(db, id, path));
    if (text === undefined) notFound('file', path);
    response.type('text/plain').send(text);
  });
  app.use(
    '/api',
    sheetRoutes({
      project,
      sessionOf: async (id) => {
        await audited(id);
        return projects.session(id);
      },
      checked,
    }),
  );
  app.use('/api', (request) => notFound('route', request.originalUrl));

  if (web) {
    app.use(express.static(web, { index: false, maxAge: '1h' }));
    app.get(/.*/, (_request, response) => {
      response.sendFile(join(web, 'index.html'));
    });
  }
  app.use(problems(logger));
  return app;
}

const problems =
  (logger: Logger): ErrorRequestHandler =>
  (error: unknown, _request, response, _next) => {
    const known = error instanceof HttpProblem ? error : undefined;
    const status = known?.status ?? (error as { status?: number }).status ?? 500;
    if (status >= 500) logger.error(error);
    response
      .status(status)
      .type('application/problem+json')
      .send(
        JSON.stringify({
          type: 'about:blank',
          title: known?.title ?? (status >= 500 ? 'The server failed' : 'Bad request'),
          status,
          detail: error instanceof Error ? error.message : String(error),
          ...(known?.choices ? { choices: known.choices } : {}),
        }),
      );
  };
