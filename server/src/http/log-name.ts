/** The log of a data folder. */
export const LOG_FILE = 'server.log';
