import { questionActAt } from '@/contract/addresses';
import type { OpenQuestion, QuestionsPage } from '@/contract/questions';
import { QuietForm } from '../notes/note-form';
import { capitalised, list } from '../words/plural';
import { raisedWords } from '../words/questions';
import { moment } from '../words/time';
import { HandsChart } from './hands-chart';

const WHEN = {
  now: '',
  voted: 'You see the others once you have raised your hand.',
  end: 'The result is shown when it is over.',
};

/** A show of hands: what there is to choose, one's own hand, and what one may see of the others: a table, with a bar in each line. */
export function ShownHands(props: {
  page: QuestionsPage;
  number: number;
  hands: NonNullable<OpenQuestion['hands']>;
}) {
  const { page, number, hands } = props;
  const { result, choices, several, named } = hands;
  const about = named ? '' : 'about ';
  return (
    <section
      aria-label="Show of hands"
      className="mt-3 grid gap-2 rounded-control border border-rule bg-page-2 px-3.5 py-3 text-[13.5px]"
    >
      {result.over || page.onlooker ? null : (
        <QuietForm
          key={result.own.join(' ')}
          action={questionActAt(page.course.slug, number)}
          className="grid gap-1"
          label="Your hand"
        >
          <fieldset className="grid gap-0.5">
            <legend className="sr-only">What you raise your hand for</legend>
            {choices.map((choice, i) => (
              <label key={choice} className="flex min-h-7 items-center gap-2">
                <input
                  type={several ? 'checkbox' : 'radio'}
                  className="size-4 accent-pine"
                  name="choice"
                  value={i}
                  defaultChecked={result.own.includes(i)}
                />
                {choice}
              </label>
            ))}
          </fieldset>
          <p className="flex flex-wrap items-center gap-3">
            <button className="btn" name="act" value="raise">
              {result.own.length ? 'Change it to this' : 'Raise my hand'}
            </button>
            <span className="text-ink-2">
              {named ? 'Your name will stand beside it.' : 'Nobody sees what you chose, staff neither.'} You
              can change your mind until {moment(hands.closes, page.course.zone)}.
            </span>
          </p>
        </QuietForm>
      )}
      {result.choices ? (
        <div className="grid gap-1">
          <table className="w-full self-start">
            <caption className="pb-1 text-left text-ink-2">
              {capitalised(raisedWords(result.people, named))}
              {result.over ? ', and it is over.' : '.'}
            </caption>
            <tbody>
              {result.choices.map((c, i) => (
                <tr key={choices[i]} className="border-t border-rule-soft">
                  <th scope="row" className="py-1 pr-3 text-left align-top font-normal">
                    {choices[i]}
                    {c.who.length ? (
                      <span className="block text-[12px] text-ink-2">{list(c.who)}</span>
                    ) : null}
                  </th>
                  <td className="py-1 text-right align-top whitespace-nowrap">
                    <b>{c.n === 0 && !named ? 'hardly anybody' : `${about}${c.n}`}</b>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {result.choices.some((c) => c.n > 0) ? (
            <HandsChart choices={choices} counts={result.choices.map((c) => c.n)} />
          ) : null}
        </div>
      ) : (
        <p className="text-ink-2">
          {capitalised(raisedWords(result.people, named))}.{' '}
          {result.few ? 'Names are covered, so nothing is drawn of fewer than five.' : WHEN[hands.shown]}
        </p>
      )}
    </section>
  );
}
