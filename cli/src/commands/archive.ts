import { Command } from 'commander';
import { BadInput } from '../input.ts';

/** `backup`, `restore`, `doctor`: the folder of a shop, with its server or without. The database is opened by these alone. */

const archive = () => import('@blue-ledge/server/archive');

/** Does work on a folder; what a person can mend is bad input, not a fault of the program. */
async function inWords<T>(work: () => Promise<T>): Promise<T> {
  const { ArchiveError } = await archive();
  try {
    return await work();
  } catch (error) {
    throw error instanceof ArchiveError ? new BadInput(error.message) : error;
  }
}

/** `backup TARGET [--data FOLDER]`. */
export const backupCommand = (answer: (answer: unknown) => void, warn: (text: string) => void): Command =>
  new Command('backup')
    .description('write database and photos of a shop as one archive, also while its server runs')
    .argument('<target>', 'folder that the archive is put into')
    .option('--data <folder>', 'folder of the shop; LEDGE_DATA or the usual one where not given')
    .action(async (target: string, { data }: { readonly data?: string }) => {
      const { dataFolderOf, makeArchive } = await archive();
      const { file, manifest } = await inWords(() => makeArchive(data ?? dataFolderOf(process.env), target));
      const { entries, photos, missing } = manifest;
      if (missing.length > 0)
        warn(`${missing.length} photos that the record names are gone or changed: see ledge doctor.\n`);
      answer({ file, entries, photos, ...(missing.length > 0 ? { missing } : {}) });
    });

/** `restore FILE --to FOLDER`. */
export const restoreCommand = (answer: (answer: unknown) => void, warn: (text: string) => void): Command =>
  new Command('restore')
    .description('put an archive back into a folder that is new or empty, once all of it was checked')
    .argument('<file>', 'archive that backup wrote')
    .requiredOption('--to <folder>', 'folder that becomes the shop’s')
    .action(async (file: string, { to }: { readonly to: string }) => {
      const { restoreArchive } = await archive();
      const { faults, ...restored } = await inWords(() => restoreArchive(file, to));
      for (const { what } of faults) warn(`${what}\n`);
      answer({ ...restored, faults });
    });

/** `doctor FOLDER`: exit 2 where something is wrong. */
export const doctorCommand = (answer: (answer: unknown) => void): Command =>
  new Command('doctor')
    .description(
      'look through the folder of a shop, also while its server runs, and say what is wrong with it',
    )
    .argument('<folder>', 'folder of the shop')
    .action(async (folder: string) => {
      const { diagnose } = await archive();
      const diagnosis = await inWords(() => diagnose(folder));
      answer(diagnosis);
      if (!diagnosis.ok)
        throw new BadInput(diagnosis.faults.map(({ what, remedy }) => `${what} ${remedy}`).join('\n'));
    });
