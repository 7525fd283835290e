/** Why there is no backup, or none is put back, in one sentence with the remedy. */
export class ArchiveError extends Error {}
