/** Why the server does not start, in one sentence with the remedy; anything else that ends a start is a bug of ours. */
export class StartError extends Error {}

const codeOf = (error: unknown): string => {
  const { code, parent, original } = (error ?? {}) as Record<string, { code?: string } | string | undefined>;
  const inner = [parent, original].flatMap((cause) => (typeof cause === 'object' && cause?.code) || []);
  return String(inner[0] ?? code ?? '');
};

/** The code of a database or system error, however Sequelize wrapped it; empty where there is none. */
export const errorCode = codeOf;

const SENTENCES: Readonly<Record<string, (folder: string) => string>> = {
  SQLITE_NOTADB: (folder) =>
    `The database in ${folder} is damaged and was left as it is. Put a backup in its place, or set LEDGE_DATA to another folder.`,
  SQLITE_CORRUPT: (folder) =>
    `The database in ${folder} is damaged and was left as it is. Put a backup in its place, or set LEDGE_DATA to another folder.`,
  SQLITE_BUSY: (folder) =>
    `Another Blue Ledge server uses ${folder}. Stop it, or set LEDGE_DATA to another folder.`,
  SQLITE_READONLY: (folder) =>
    `${folder} cannot be written to. Give this user the right to, or set LEDGE_DATA.`,
  SQLITE_CANTOPEN: (folder) =>
    `${folder} cannot be opened. Give this user the right to it, or set LEDGE_DATA.`,
  SQLITE_FULL: (folder) => `The disk of ${folder} is full. Make room, and start again.`,
  EACCES: (folder) => `${folder} cannot be written to. Give this user the right to, or set LEDGE_DATA.`,
  EPERM: (folder) => `${folder} cannot be written to. Give this user the right to, or set LEDGE_DATA.`,
  EROFS: (folder) => `${folder} lies on a disk that cannot be written to. Set LEDGE_DATA to another folder.`,
  ENOSPC: (folder) => `The disk of ${folder} is full. Make room, and start again.`,
  ENOTDIR: (folder) => `${folder} is no folder. Set LEDGE_DATA to a folder.`,
  EEXIST: (folder) => `${folder} is no folder. Set LEDGE_DATA to a folder.`,
};

/** The error as a sentence about the data folder, where it is one that a person can mend; else the error itself. */
export function startErrorOf(error: unknown, folder: string): unknown {
  if (error instanceof StartError) return error;
  const sentence = SENTENCES[codeOf(error)];
  return sentence ? new StartError(sentence(folder)) : error;
}
