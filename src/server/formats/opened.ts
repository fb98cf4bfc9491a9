import type { FileTrouble } from '@/contract/files';
import type { Doc } from '@/core/document/nodes';
import { fail, ok, type Result } from '@/core/result';
import type { Actor, Deps } from '../deps';
import { readFor } from '../readers/readers';
import type { BroughtFile, OpenedFile, Pictured } from './read-file';

const readAs =
  <Task extends 'file' | 'words'>(task: Task) =>
  async (deps: Deps, actor: Actor, file: BroughtFile) => {
    const read = await readFor(deps, actor, task, file);
    return read.ok ? read.value : notRead(file, read.failure.why);
  };

/** Opens a file that a person brought, where nobody else waits for it. */
export const openFor = readAs('file');

/** The words of such a file; of its pictures their descriptions. */
export const wordsFor = readAs('words');

/** An opened file as a document, with its pictures by what their addresses became, and every address that it asks for. */
export async function pageFor(
  deps: Deps,
  actor: Actor,
  file: { name: string },
  { text }: OpenedFile,
  pictures: Pictured,
): Promise<Result<{ title: string; doc: Doc; asked: string[] }, FileTrouble>> {
  if ('doc' in text) return ok({ title: '', doc: text.doc, asked: [] });
  const read = await readFor(deps, actor, 'page', { html: text.html, pictures });
  return read.ok ? read : notRead(file, read.failure.why);
}

const notRead = ({ name }: { name: string }, why: Extract<FileTrouble, { why: unknown }>['why']) =>
  fail({ code: 'file-not-read' as const, name: name.slice(0, 120), why });
