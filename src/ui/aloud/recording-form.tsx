/** For staff: a recording in one's own voice, which students hear in place of the machine's. */
export const RecordingForm = ({ action, there }: { action: string; there: boolean }) => (
  <details className="mt-3 text-[13px]">
    <summary className="link min-h-6 w-fit">
      {there ? 'Replace or remove the recording' : 'Add a recording of yourself reading it'}
    </summary>
    <form
      action={action}
      method="post"
      encType="multipart/form-data"
      className="mt-2 flex flex-wrap items-end gap-2"
    >
      <label className="grid gap-1 font-semibold">
        A sound file, at most 50 MB
        <input className="field font-normal" type="file" name="file" accept="audio/*" />
      </label>
      <button className="btn" name="do" value="put">
        {there ? 'Put this one in its place' : 'Add it'}
      </button>
      {there ? (
        <button className="btn" name="do" value="remove">
          Remove the recording
        </button>
      ) : null}
    </form>
  </details>
);
