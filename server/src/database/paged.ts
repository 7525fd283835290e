/** Rows at a time: between pages the server answers others. */
const PAGE = 400;

/** Reads page after page until one is not full. @param read rows behind those that were read so far, at most so many */
export async function* paged<Row>(read: (limit: number) => Promise<Row[]>): AsyncGenerator<Row[]> {
  for (;;) {
    const rows = await read(PAGE);
    if (rows.length > 0) yield rows;
    if (rows.length < PAGE) return;
  }
}
