import { createReadStream } from 'node:fs';
import { stat } from 'node:fs/promises';
import { DeleteObjectCommand, GetObjectCommand, PutObjectCommand, S3Client } from '@aws-sdk/client-s3';
import { StoreFull, type FileStore } from './store';

export type ObjectStoreConfig = {
  endpoint: string;
  region: string;
  bucket: string;
  key: string;
  secret: string;
};

const quiet = () => {};

/** What object stores say where no more goes in. */
const FULL = new Set(['QuotaExceeded', 'XMinioStorageFull', 'InsufficientCapacity', 'EntityTooLarge']);

async function roomFor<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    const status = (error as { $metadata?: { httpStatusCode?: number } }).$metadata?.httpStatusCode;
    if (error instanceof Error && (FULL.has(error.name) || status === 507))
      throw new StoreFull(error.message);
    throw error;
  }
}

/**
 * Files in an S3-compatible object store. What comes in lies in the folder of `local` until all of it is here, for programs
 * read it there; so all pieces of one upload must reach machines that share that folder.
 */
export function objectStore(config: ObjectStoreConfig, local: FileStore): FileStore {
  const client = new S3Client({
    endpoint: config.endpoint,
    region: config.region,
    credentials: { accessKeyId: config.key, secretAccessKey: config.secret },
    // A bucket's name in the path needs no name of its own in the network.
    forcePathStyle: true,
    requestChecksumCalculation: 'WHEN_REQUIRED',
    responseChecksumValidation: 'WHEN_REQUIRED',
    maxAttempts: 3,
    // What fails is thrown, and said once by who asked.
    logger: { debug: quiet, info: quiet, warn: quiet, error: quiet },
  });
  const object = (sha256: string) => ({
    Bucket: config.bucket,
    Key: `${sha256.slice(0, 2)}/${sha256}`,
  });
  return {
    incoming: local.incoming,
    write: local.write,
    drop: local.drop,
    settle: async (id, sha256) => {
      const path = local.incoming(id);
      const { size } = await stat(path);
      await roomFor(() =>
        client.send(
          new PutObjectCommand({ ...object(sha256), Body: createReadStream(path), ContentLength: size }),
        ),
      );
      await local.drop(id);
    },
    put: async (sha256, content) => {
      await roomFor(() => client.send(new PutObjectCommand({ ...object(sha256), Body: content })));
    },
    read: async (sha256, span) => {
      const Range = span ? `bytes=${span.first}-${span.last}` : undefined;
      const { Body } = await client.send(new GetObjectCommand({ ...object(sha256), Range }));
      if (!Body) throw new Error(`The object store gave nothing for ${sha256}.`);
      return Body.transformToWebStream() as ReadableStream<Uint8Array>;
    },
    remove: async (sha256) => {
      await client.send(new DeleteObjectCommand(object(sha256)));
    },
  };
}
