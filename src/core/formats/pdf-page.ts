/** A run of text on a printed page: where its baseline begins (points, from the foot of the page) and how large it is. */
export type Run = { text: string; x: number; y: number; width: number; size: number };

/** A line of a page; `row` says that it is the row of a table, with tabs between its cells. */
export type PageLine = { text: string; y: number; x: number; size: number; runs: Run[]; row?: boolean };
