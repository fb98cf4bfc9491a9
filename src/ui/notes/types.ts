export type MarkView = { from: number; to: number; notes: string[]; first: boolean };

export type Passage = { start: number; end: number; text: string };
