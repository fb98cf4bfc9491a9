import { TextField } from '../people/fields';

/** Asks for the own password once more; who has none has signed in just now instead. */
export const Known = ({ id, hasPassword }: { id: string; hasPassword: boolean }) =>
  hasPassword ? (
    <TextField
      label="Your password now"
      name="password"
      id={id}
      type="password"
      autoComplete="current-password"
      required
      maxLength={1_000}
    />
  ) : (
    <p className="text-[12.5px] text-ink-2">
      You have no password here, so this is done within ten minutes of signing in.
    </p>
  );
