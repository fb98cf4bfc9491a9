export type Answer = { good: boolean; text: string };

/** What became of a form that was sent just now; it stays on the page until the page is left. */
export function AnswerLine({ answer }: { answer: Answer | null }) {
  if (!answer) return null;
  return (
    <p
      role="status"
      data-refused={answer.good ? undefined : ''}
      className={`rounded-control px-3 py-2 font-medium ${answer.good ? 'bg-pine-tint' : 'bg-brick-tint'}`}
    >
      {answer.text}
    </p>
  );
}
