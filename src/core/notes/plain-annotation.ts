/** The model's namespaces, by what files call them: as an IRI, or by a prefix that its context names. */
const NAMESPACE =
  /^(?:https?:\/\/www\.w3\.org\/ns\/oa#|http:\/\/www\.w3\.org\/ns\/activitystreams#|http:\/\/www\.w3\.org\/1999\/02\/22-rdf-syntax-ns#|http:\/\/www\.w3\.org\/2011\/content#|http:\/\/purl\.org\/dc\/(?:terms|elements\/1\.1)\/|(?:oa|as|rdf|cnt|dc|dcterms):)/u;

/** What the vocabulary calls a thing, and what the model's own context does (Web Annotation Vocabulary, 3). */
const KEYS: Record<string, string> = {
  '@id': 'id',
  '@type': 'type',
  chars: 'value',
  hasBody: 'body',
  hasPurpose: 'purpose',
  hasSelector: 'selector',
  hasSource: 'source',
  hasTarget: 'target',
  motivatedBy: 'motivation',
};
/** What names a thing of the vocabulary, and no words of somebody. */
const NAMING = new Set(['type', 'motivation', 'purpose']);
const DEPTH = 30;

const bare = (name: string) => name.replace(NAMESPACE, '');

/**
 * JSON-LD of the Web Annotation model as its own context has it, out of the other forms that say the same: names with a prefix, whole IRIs, and values
 * in objects of their own (JSON-LD 1.1, expanded document form).
 *
 * @example plainAnnotation({ 'oa:hasBody': [{ '@value': 'Why?' }] }) // { body: 'Why?' }
 */
export function plainAnnotation(value: unknown, key = '', depth = 0): unknown {
  if (depth > DEPTH) return null;
  if (typeof value === 'string') return NAMING.has(key) ? bare(value) : value;
  if (Array.isArray(value)) {
    const all = value.map((v) => plainAnnotation(v, key, depth + 1));
    return all.length === 1 && key ? all[0] : all;
  }
  if (typeof value !== 'object' || value === null) return value;
  if ('@value' in value) return plainAnnotation(value['@value'], key, depth + 1);
  if ('@list' in value) return plainAnnotation(value['@list'], key, depth + 1);
  const entries = Object.entries(value).map(([name, inner]): [string, unknown] => {
    const called = bare(name);
    const plain = KEYS[called] ?? called;
    return [plain, plainAnnotation(inner, plain, depth + 1)];
  });
  const only = entries.length === 1 && entries[0]?.[0] === 'id' ? entries[0][1] : undefined;
  // A thing that is only named: its name.
  return typeof only === 'string' && key
    ? NAMING.has(key)
      ? bare(only)
      : only
    : Object.fromEntries(entries);
}
