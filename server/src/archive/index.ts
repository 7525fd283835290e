/** What the command line does with the folder of a shop; nothing of it needs the server to run. */
export { dataFolderOf } from '../data-folder-of.ts';
export { ArchiveError } from './archive-error.ts';
export { diagnose, type Diagnosis } from './doctor.ts';
export { makeArchive, type MadeArchive } from './make-archive.ts';
export { restoreArchive, type Restored } from './restore-archive.ts';
