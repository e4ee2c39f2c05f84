/** The thread of one folder: audits it, follows what is typed, and answers what the editor asks. */
import { auditFolder, loadConfig } from '../server/engine/audit-folder';
import type { FolderAudit } from '../server/engine/folder';
import { freshenFiles } from '../server/engine/freshen';
import { answerQuestions } from '../server/threads/answering';
import { actions } from './actions';
import { definition, hover, lenses, references, type Room, symbols } from './answers';
import { diagnosed } from './diagnostics';
import type { Answers, Opened, Question } from './questions';
import { rename, renameable } from './rename';

let room: Room | undefined;
const unsaved = new Map<string, string>();

function opened(): Room {
  if (!room) throw new Error('the folder is not open');
  return room;
}

async function audited(root: string, last?: FolderAudit): Promise<FolderAudit> {
  const config = await loadConfig(root);
  const folder = await auditFolder(root, {
    ...(config ? { config } : {}),
    ...(last ? { last, keepBroken: true, unsaved } : {}),
  });
  // What is typed goes before what a first reading found in the files.
  return last || !unsaved.size
    ? folder
    : (freshenFiles(root, folder, [...unsaved.keys()], unsaved) ?? folder);
}

async function open(root: string, workbench: string | undefined): Promise<Opened> {
  const folder = await audited(root);
  room = { root, folder, workbench };
  const { components } = folder.audit.result.project;
  return {
    files: folder.facts.size,
    components: components.filter(({ facts }) => facts.role === 'component').length,
    diagnosed: diagnosed(root, folder),
  };
}

async function freshen(paths: string[] | undefined): Promise<Answers['freshen']> {
  const { root, folder } = opened();
  const now = (paths && freshenFiles(root, folder, paths, unsaved)) ?? (await audited(root, folder));
  room = { ...opened(), folder: now };
  return diagnosed(root, now);
}

function write(texts: [path: string, text: string | null][]): undefined {
  for (const [path, text] of texts) {
    if (text === null) unsaved.delete(path);
    else unsaved.set(path, text);
  }
}

/** What changes the audit, or asks it, waits for the change before. */
let turn: Promise<unknown> = Promise.resolve();

function inTurn<T>(work: () => Promise<T> | T): Promise<T> {
  const done = turn.then(work);
  turn = done.catch(() => undefined);
  return done;
}

function answer(question: Question): Promise<Answers[Question['kind']]> | Answers[Question['kind']] {
  switch (question.kind) {
    case 'open':
      return open(question.root, question.workbench);
    case 'write':
      return write(question.texts);
    case 'freshen':
      return freshen(question.paths);
    case 'hover':
      return hover(opened(), question.path, question.position);
    case 'definition':
      return definition(opened(), question.path, question.position);
    case 'references':
      return references(opened(), question.path, question.position, question.declaration);
    case 'prepare-rename':
      return renameable(opened(), question.path, question.position);
    case 'rename':
      return rename(opened(), question.path, question.position, question.name, unsaved);
    case 'actions':
      return actions(opened(), question.path, question.range);
    case 'lenses':
      return lenses(opened(), question.path);
    case 'symbols':
      return symbols(opened(), question.query);
  }
}

answerQuestions<Question>((question) => inTurn(async () => answer(question)));
