/** Why something is done, asked for a second time. */
export const WhyAgain = () => (
  <label className="grid gap-1 font-semibold">
    Why
    <input name="reason" maxLength={600} className="field font-normal" />
    <span className="text-[12.5px] font-normal text-ink-2">
      Once more, please: what only staff read stands in no address.
    </span>
  </label>
);
