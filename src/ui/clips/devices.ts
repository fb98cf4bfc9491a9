/** Which camera and microphone one records with, remembered on this machine. */
export type Devices = { video: boolean; camera: string; microphone: string };

const KEY = 'pulpit-clip-devices';
const USUAL: Devices = { video: true, camera: '', microphone: '' };

export function rememberedDevices(): Devices {
  try {
    return { ...USUAL, ...(JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Devices>) };
  } catch {
    // A browser that keeps nothing, or something else under this name.
    return USUAL;
  }
}

export function rememberDevices(devices: Devices) {
  try {
    localStorage.setItem(KEY, JSON.stringify(devices));
  } catch {
    // They are chosen again next time.
  }
}

export type Opened = { stream: MediaStream; standIn: boolean; stop: () => void };

/** A test picture and a soft tone, for a machine that has neither camera nor microphone. */
function standIn(video: boolean): Opened {
  const sound = new AudioContext();
  const tone = sound.createOscillator();
  const soft = sound.createGain();
  soft.gain.value = 0.2;
  const out = sound.createMediaStreamDestination();
  tone.connect(soft).connect(out);
  tone.start();
  const tracks = [...out.stream.getTracks()];
  let timer: ReturnType<typeof setInterval> | undefined;
  if (video) {
    const canvas = Object.assign(document.createElement('canvas'), { width: 640, height: 360 });
    const brush = canvas.getContext('2d');
    let n = 0;
    const draw = () => {
      if (!brush) return;
      n += 1;
      ['#17493e', '#b26f00', '#2f5d86', '#a32c1a', '#f7f3e8'].forEach((colour, i) => {
        brush.fillStyle = colour;
        brush.fillRect(i * 128, 0, 128, 360);
      });
      brush.fillStyle = '#ffffff';
      brush.fillRect((n * 6) % 640, 300, 40, 40);
      brush.font = '28px sans-serif';
      brush.fillText('Test picture', 24, 48);
    };
    draw();
    timer = setInterval(draw, 66);
    tracks.push(...canvas.captureStream(15).getTracks());
  }
  return {
    stream: new MediaStream(tracks),
    standIn: true,
    stop: () => {
      clearInterval(timer);
      tone.stop();
      void sound.close();
    },
  };
}

const absent = (error: unknown) =>
  error instanceof DOMException && ['NotFoundError', 'OverconstrainedError'].includes(error.name);

/** Opens camera and microphone. Rejects with the browser's error where they are there and may not be used. */
export async function openDevices({ video, camera, microphone }: Devices): Promise<Opened> {
  const { mediaDevices } = navigator as { mediaDevices?: MediaDevices };
  if (!mediaDevices) return standIn(video);
  try {
    const stream = await mediaDevices.getUserMedia({
      audio: microphone ? { deviceId: { ideal: microphone } } : true,
      video: video
        ? {
            width: { ideal: 1_280 },
            height: { ideal: 720 },
            ...(camera ? { deviceId: { ideal: camera } } : {}),
          }
        : false,
    });
    return { stream, standIn: false, stop: () => stream.getTracks().forEach((t) => t.stop()) };
  } catch (error) {
    if (absent(error)) return standIn(video);
    throw error;
  }
}

/** What there is to choose from; named only once the browser has allowed one of them. */
export async function listDevices(): Promise<MediaDeviceInfo[]> {
  const { mediaDevices } = navigator as { mediaDevices?: MediaDevices };
  return mediaDevices ? (await mediaDevices.enumerateDevices()).filter((d) => d.deviceId !== '') : [];
}

const FORMS = {
  video: ['video/webm;codecs=vp8,opus', 'video/webm', 'video/mp4'],
  audio: ['audio/webm;codecs=opus', 'audio/webm', 'audio/mp4'],
};
/** The form this browser records in. */
export const recordingForm = (video: boolean) =>
  FORMS[video ? 'video' : 'audio'].find((form) => MediaRecorder.isTypeSupported(form));
