import { abridged, difference } from '@/core/drafts/difference';
import type { Doc } from '@/core/posts/document';
import { plural } from '../words/plural';

type Text = { title: string; doc: Doc };

/** Two texts as one, word by word: what stands only in the first is struck through, what only in the second is underlined. */
export function DifferenceView(props: {
  first: Text;
  second: Text;
  names: { first: string; second: string };
  /** Only the words around what differs. */
  brief?: boolean;
}) {
  const { names } = props;
  const { stretches, onlyFirst, onlySecond } = difference(props.first, props.second);
  return (
    <div>
      <p className="mb-2 text-[12.5px] text-ink-2">
        {onlyFirst + onlySecond === 0 ? (
          'Word for word the same.'
        ) : (
          <>
            <del className="only-first">{plural(onlyFirst, 'word')}</del> only in {names.first},{' '}
            <ins className="only-second">{plural(onlySecond, 'word')}</ins> only in {names.second}.
          </>
        )}
      </p>
      <div className="text whitespace-pre-wrap">
        {(props.brief ? abridged(stretches) : stretches).map((s, i) =>
          s.kind === 'same' ? (
            <span key={i}>{s.text}</span>
          ) : s.kind === 'only-first' ? (
            <del key={i} className="only-first">
              {s.text}
            </del>
          ) : (
            <ins key={i} className="only-second">
              {s.text}
            </ins>
          ),
        )}
      </div>
    </div>
  );
}
