import { typeset } from './styled';

/** A formula as it is read. What KaTeX cannot set is shown as it was typed. */
export default function Formula({ latex, ownLine }: { latex: string; ownLine: boolean }) {
  const html = typeset(latex, ownLine);
  if (html === null) return <code title="This formula could not be set">{latex}</code>;
  // KaTeX escapes all it is given; nothing but its own markup comes out of it.
  return <span dangerouslySetInnerHTML={{ __html: html }} />;
}
