import type { MailboxPage } from '@/contract/stewards';
import { answerMailAt } from '@/contract/addresses';
import { AnswerLine, type Answer } from '../frame/answer';
import { moment } from '../words/time';

const ADDRESS = /(https?:\/\/\S+)/gu;

/** The words of a mail, its addresses as links. */
const Body = ({ text }: { text: string }) => (
  <p className="text-[14.5px] break-words whitespace-pre-wrap">
    {text.split(ADDRESS).map((piece, i) =>
      i % 2 ? (
        <a key={i} className="link break-all" href={piece}>
          {piece}
        </a>
      ) : (
        piece
      ),
    )}
  </p>
);

/** The mailbox that ships: what would have gone out by mail, newest first. */
export function Mailbox(props: {
  mailbox: MailboxPage;
  zone: string;
  smtp: boolean;
  answers: boolean;
  answer: Answer | null;
}) {
  const { mails, more } = props.mailbox;
  return (
    <main id="main" className="mx-auto grid max-w-[860px] gap-5 px-4 py-6 sm:px-7">
      <div>
        <h1 className="text-[25px] leading-tight">The mailbox</h1>
        <p className="mt-1 text-ink-2">
          {props.smtp
            ? 'Mail of this installation leaves through a mail server. Only what was written before lies here.'
            : 'No mail server is set, so every mail of this installation stays here, whoever it is for.'}
        </p>
      </div>
      <AnswerLine answer={props.answer} />
      {mails.length ? (
        <ul className="grid gap-3">
          {mails.map((m, i) => (
            <li key={m.id} className="plate">
              <details open={i === 0}>
                <summary className="cursor-pointer px-5 py-3">
                  <b>{m.subject}</b>
                  <span className="block text-[12.5px] break-all text-ink-2">
                    to {m.to} · {moment(m.at, props.zone)}
                  </span>
                </summary>
                <div className="border-t border-rule-soft px-5 py-3">
                  <Body text={m.text} />
                  {props.answers && m.answers ? (
                    <form
                      action={answerMailAt()}
                      method="post"
                      className="mt-3 grid gap-2 border-t border-rule-soft pt-2"
                    >
                      <input type="hidden" name="mail" value={m.id} />
                      <label className="grid gap-1 text-[13px] font-semibold">
                        Answer it, as its reader’s mail program would
                        <textarea
                          className="field min-h-20 font-normal"
                          name="text"
                          required
                          maxLength={20_000}
                        />
                      </label>
                      <button className="btn justify-self-start">Send the answer</button>
                    </form>
                  ) : null}
                  {m.html ? (
                    <details className="mt-3 border-t border-rule-soft pt-2">
                      <summary className="cursor-pointer text-[13px] font-semibold text-sky">
                        As a mail program shows it
                      </summary>
                      {/* Without scripts and without an origin, like the mail it is; its links open in this window. */}
                      <iframe
                        title={m.subject}
                        sandbox="allow-top-navigation-by-user-activation"
                        srcDoc={m.html.replace('<head>', '<head><base target="_top">')}
                        className="mt-2 h-[420px] w-full rounded-control border border-rule bg-page"
                      />
                    </details>
                  ) : null}
                </div>
              </details>
            </li>
          ))}
        </ul>
      ) : (
        <p className="plate px-5 py-4 text-ink-2">Nothing has been sent yet.</p>
      )}
      {more ? <p className="text-[13px] text-ink-2">{more} older ones lie in the folder.</p> : null}
    </main>
  );
}
