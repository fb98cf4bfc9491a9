'use client';

import type { StoredFile } from '@/core/document/attachments';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { Refused } from '../attachments/asking';
import { clipTrouble, deviceTrouble, playingTime } from '../words/clips';
import {
  listDevices,
  openDevices,
  rememberDevices,
  rememberedDevices,
  type Devices,
  type Opened,
} from './devices';
import { Level } from './level';
import { Recording, type Phase } from './recording';
import { Review, type Said } from './review';
import { Unfinished } from './unfinished';

const MOST = '3:00';

function DeviceChoice(props: {
  label: string;
  kind: MediaDeviceInfo['kind'];
  all: readonly MediaDeviceInfo[];
  value: string;
  choose: (id: string) => void;
}) {
  const some = props.all.filter((d) => d.kind === props.kind);
  if (some.length < 2) return null;
  return (
    <label className="flex min-w-0 items-center gap-1.5 text-[12.5px]">
      {props.label}
      <select
        className="field !w-auto max-w-52 !py-1"
        value={props.value || some[0]?.deviceId}
        onChange={(e) => props.choose(e.target.value)}
      >
        {some.map((d, i) => (
          <option key={d.deviceId} value={d.deviceId}>
            {d.label || `${props.label} ${i + 1}`}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The time that has been recorded, as it goes. */
function Elapsed({ recording }: { recording: Recording }) {
  const [ms, setMs] = useState(recording.elapsed);
  useEffect(() => {
    const timer = setInterval(() => setMs(recording.elapsed()), 200);
    return () => clearInterval(timer);
  }, [recording]);
  return (
    <span className="font-mono text-[14px]" role="timer" aria-label="Recorded so far">
      {playingTime(Math.floor(ms / 1_000) * 1_000)} of {MOST}
    </span>
  );
}

const SAID: Record<Phase['name'], string> = {
  ready: '',
  counting: '',
  recording: 'Recording',
  paused: 'Paused',
  ending: 'Ending…',
  over: 'Recorded',
  broken: 'This browser cannot record. Another one on this machine may.',
};

function Stage(props: {
  opened: Opened;
  recording: Recording;
  devices: Devices;
  all: readonly MediaDeviceInfo[];
  choose: (devices: Devices) => void;
  again: () => void;
  done: (file: StoredFile, title: string) => void;
}) {
  const { opened, recording, devices, all, choose } = props;
  const phase = useSyncExternalStore(recording.subscribe, recording.get, recording.get);
  const screen = useRef<HTMLVideoElement>(null);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    if (screen.current) screen.current.srcObject = opened.stream;
  }, [opened]);
  const use = async (said: Said) => {
    setBusy(true);
    setTrouble(null);
    try {
      props.done(await recording.finish(said), said.title);
    } catch (error) {
      setTrouble(clipTrouble(error instanceof Refused ? error.code : 'no-answer'));
      setBusy(false);
    }
  };
  if (phase.name === 'over')
    return (
      <Review
        blob={phase.blob}
        ms={phase.ms}
        video={devices.video}
        busy={busy}
        trouble={trouble}
        again={props.again}
        use={(said) => void use(said)}
      />
    );
  const live = phase.name === 'recording' || phase.name === 'paused';
  return (
    <div className="grid gap-2">
      {opened.standIn ? (
        <p className="rounded-control bg-ochre-tint px-3 py-1.5 text-[13px]">
          No camera or microphone was found on this machine. A test picture and a tone stand in.
        </p>
      ) : null}
      <div className="flex flex-wrap items-start gap-4">
        {devices.video ? (
          <video
            ref={screen}
            autoPlay
            muted
            playsInline
            aria-label="What the camera sees"
            className="aspect-video w-full max-w-[320px] rounded-control bg-black"
          />
        ) : null}
        <div className="grid grow content-start gap-2">
          <Level stream={opened.stream} />
          {phase.name === 'ready' ? (
            <div className="flex flex-wrap gap-x-4 gap-y-1.5">
              <label className="flex min-h-8 items-center gap-1.5 text-[13px]">
                <input
                  type="checkbox"
                  checked={devices.video}
                  onChange={(e) => choose({ ...devices, video: e.target.checked })}
                />
                With the camera
              </label>
              {devices.video ? (
                <DeviceChoice
                  label="Camera"
                  kind="videoinput"
                  all={all}
                  value={devices.camera}
                  choose={(camera) => choose({ ...devices, camera })}
                />
              ) : null}
              <DeviceChoice
                label="Microphone"
                kind="audioinput"
                all={all}
                value={devices.microphone}
                choose={(microphone) => choose({ ...devices, microphone })}
              />
            </div>
          ) : null}
          <p role="status" className="min-h-6 text-[14px] font-semibold">
            {phase.name === 'counting' ? `Recording begins in ${phase.left}` : SAID[phase.name]}
          </p>
          <div className="flex flex-wrap items-center gap-2">
            {phase.name === 'ready' ? (
              <button type="button" className="btn go" onClick={() => recording.start()}>
                Record
              </button>
            ) : null}
            {phase.name === 'counting' ? (
              <button type="button" className="btn" onClick={() => recording.end()}>
                Not yet
              </button>
            ) : null}
            {live ? (
              <>
                <button type="button" className="btn go" onClick={() => recording.end()}>
                  End
                </button>
                <button
                  type="button"
                  className="btn"
                  onClick={() => (phase.name === 'paused' ? recording.resume() : recording.pause())}
                >
                  {phase.name === 'paused' ? 'Go on' : 'Pause'}
                </button>
                <Elapsed recording={recording} />
              </>
            ) : null}
          </div>
        </div>
      </div>
    </div>
  );
}

/** Records a clip inside the text one writes. Beneath the tools, so that the text stays in sight. */
export function Recorder(props: {
  course: string;
  /** The clip is there and goes into the text. */
  put: (file: StoredFile, title: string) => void;
  close: () => void;
}) {
  const { course } = props;
  const [devices, setDevices] = useState(rememberedDevices);
  const [all, setAll] = useState<MediaDeviceInfo[]>([]);
  const [stage, setStage] = useState<{ opened: Opened; recording: Recording } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [take, setTake] = useState(0);

  useEffect(() => {
    let gone = false;
    let mine: Recording | null = null;
    openDevices(devices).then(
      (opened) => {
        if (gone) {
          opened.stop();
          return;
        }
        mine = new Recording(course, devices.video, opened);
        setTrouble(null);
        setStage({ opened, recording: mine });
        void listDevices().then(setAll);
      },
      (error: unknown) => {
        if (!gone) setTrouble(deviceTrouble(error instanceof DOMException ? error.name : ''));
      },
    );
    return () => {
      gone = true;
      // What was recorded stays on the server until it is used or a day old, whatever closed this.
      mine?.leave(true);
      setStage(null);
    };
  }, [course, devices, take]);

  const choose = (next: Devices) => {
    rememberDevices(next);
    setDevices(next);
  };
  const again = () => {
    stage?.recording.leave(false);
    setTake(take + 1);
  };
  return (
    <section aria-label="Record a clip" className="border-b border-rule-soft bg-page-2 px-4 py-3">
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <h3 className="grow text-[14px]">Record a clip, at most three minutes</h3>
        <button type="button" className="btn !min-h-8 !py-1" onClick={props.close}>
          Close
        </button>
      </div>
      {trouble ? (
        <div className="grid gap-2">
          <p role="alert" className="rounded-control bg-brick-tint px-3 py-2 text-[13px] font-medium">
            {trouble}
          </p>
          <p>
            <button type="button" className="btn" onClick={() => setTake(take + 1)}>
              Try again
            </button>
          </p>
        </div>
      ) : stage ? (
        <Stage
          key={take}
          opened={stage.opened}
          recording={stage.recording}
          devices={devices}
          all={all}
          choose={choose}
          again={again}
          done={props.put}
        />
      ) : (
        <p role="status" className="text-[13px] text-ink-2">
          Asking for the camera and the microphone…
        </p>
      )}
      <Unfinished course={course} put={props.put} now={take} />
    </section>
  );
}
