import { ownTimesAt } from '@/contract/addresses';
import { TIMES_OF_DAY } from '@/core/desk/groups';

const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const LONG = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** When a student could work with others, a third of a day at a time. */
export function OwnTimes({ course, times }: { course: string; times: number }) {
  return (
    <details className="plate px-4 py-3" open={times !== 0}>
      <summary className="min-h-7 cursor-pointer font-serif text-[16px] font-semibold">
        When could you work with others?
      </summary>
      <form action={ownTimesAt(course)} method="post" className="mt-2 grid gap-3">
        <p className="text-[13.5px] text-ink-2">
          Groups can be made so that their people have times in common. Nobody reads what you tick, neither
          classmates nor staff. Tick nothing, and you fit everywhere.
        </p>
        <table className="w-full max-w-[520px] text-center text-[13px]">
          <thead>
            <tr>
              <td />
              {DAYS.map((day) => (
                <th key={day} scope="col" className="py-1 font-semibold">
                  {day}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {TIMES_OF_DAY.map((part, i) => (
              <tr key={part}>
                <th scope="row" className="py-1 pr-2 text-left font-semibold">
                  {part}
                </th>
                {DAYS.map((day, d) => {
                  const time = d * TIMES_OF_DAY.length + i;
                  return (
                    <td key={day}>
                      <input
                        type="checkbox"
                        name="time"
                        value={time}
                        defaultChecked={(times & (1 << time)) !== 0}
                        aria-label={`${LONG[d]} ${part}`}
                        className="size-6 accent-pine"
                      />
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
        <button type="submit" className="btn justify-self-start">
          Keep my times
        </button>
      </form>
    </details>
  );
}
