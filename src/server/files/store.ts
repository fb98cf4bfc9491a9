/** A part of a file: from the first to the last byte, both with it. */
export type Span = { first: number; last: number };

/**
 * Where files lie. What comes in lies under its id and grows by pieces; what is all here lies under the SHA-256 of its
 * content and never changes. A folder by default; an object store has the same shape.
 */
export type FileStore = {
  /** Writes a piece of what comes in where it belongs. */
  write: (id: string, at: number, piece: Uint8Array) => Promise<void>;
  /** Where on this machine the incoming file lies, for programs that read files. */
  incoming: (id: string) => string;
  /** The incoming file is all here, and lies under its content's sum from now on. */
  settle: (id: string, sha256: string) => Promise<void>;
  /** Puts a content under its sum. */
  put: (sha256: string, content: Uint8Array) => Promise<void>;
  read: (sha256: string, span?: Span) => Promise<ReadableStream<Uint8Array>>;
  /** Takes a content away; none there is no error. */
  remove: (sha256: string) => Promise<void>;
  /** Gives an incoming file up; none there is no error. */
  drop: (id: string) => Promise<void>;
};

/** Nothing more can be written: the disk is full, or a limit on it is reached. */
export class StoreFull extends Error {}
