/** Routes of the screen of sheets. */
import { Router } from 'express';
import { z } from 'zod';
import { draftAskSchema, saveSheetSchema, sheetPathSchema } from '../api/sheet-schemas';
import { sheetJsonSchema } from '../core/readers/sheet/schema';
import { readSheetFile, saveSheetFile } from './sources/sheet-files';
import type { Session } from './engine/session';

export interface SheetParts {
  /** The project; refuses one that is not there. */
  project(id: string): Promise<{ root: string; name: string }>;
  /** The thread of a project that was audited. */
  sessionOf(id: string): Promise<Session>;
  /** Input as a schema has it, or a refusal that names the field. */
  checked<T>(schema: z.ZodType<T>, input: unknown): T;
}

export function sheetRoutes({ project, sessionOf, checked }: SheetParts): Router {
  const routes = Router();
  routes.get('/sheet-schema', (_request, response) => {
    response.json(sheetJsonSchema());
  });
  routes.get('/projects/:id/sheets', async (request, response) => {
    response.json(await (await sessionOf(request.params.id)).sheets());
  });
  routes.get('/projects/:id/sheet', async (request, response) => {
    const { path } = checked(z.object({ path: sheetPathSchema }), request.query);
    response.json(await readSheetFile((await project(request.params.id)).root, path));
  });
  routes.put('/projects/:id/sheet', async (request, response) => {
    const { path, text, over } = checked(saveSheetSchema, request.body ?? {});
    response.json(await saveSheetFile((await project(request.params.id)).root, path, text, over));
  });
  routes.post('/projects/:id/sheet/draft', async (request, response) => {
    const { path, text } = checked(draftAskSchema, request.body ?? {});
    response.json(await (await sessionOf(request.params.id)).draft(path, text));
  });
  routes.get('/projects/:id/sheet/written', async (request, response) => {
    const { name } = await project(request.params.id);
    response.json({ text: await (await sessionOf(request.params.id)).written(name) });
  });
  return routes;
}
