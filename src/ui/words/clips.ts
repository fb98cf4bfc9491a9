/** How long something plays: "1:04", and tenths under ten seconds. */
export function playingTime(ms: number): string {
  if (ms < 10_000 && ms % 1_000 !== 0) return `0:0${(ms / 1_000).toFixed(1)}`;
  const seconds = Math.round(ms / 1_000);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** Why a recording could not be used; it is kept, unless there is none. */
export function clipTrouble(code: string): string {
  switch (code) {
    case 'nothing-recorded':
    case 'no-recording':
      return 'Nothing that can be played was recorded. Take it again.';
    case 'quota-person':
      return 'Your files here take up all the room you have (500 MB), so the clip was not taken. Take files out of drafts that you no longer need.';
    case 'quota-course':
    case 'store-full':
      return 'There is no room for files at the moment, so the clip was not taken. It is still here; try again later. Text can be shared as ever.';
    case 'not-read':
      return 'The captions could not be read in the time there is. The recording is still here: shorten them, or take it without captions.';
    case 'piece-too-large':
      return 'The recording is larger than 25 MB. Take a shorter one.';
    default:
      return 'Pulpit did not answer. The recording is still here: try again in a moment.';
  }
}

/** Why camera or microphone cannot be used. */
export const deviceTrouble = (name: string) =>
  name === 'NotAllowedError'
    ? 'The browser does not let Pulpit use the camera or the microphone. Allow it beside the address of this page, then try again.'
    : 'The camera or the microphone does not answer; another program may be using it. Close that program, then try again.';

export const RECORDER_OPEN = 'The recorder is open: what is in it is not in the text yet.';
