'use client';

import { useEffect, useRef } from 'react';

/** How loud it is right now, so that one sees that one is heard before one speaks for three minutes. */
export function Level({ stream }: { stream: MediaStream }) {
  const meter = useRef<HTMLMeterElement>(null);
  useEffect(() => {
    if (stream.getAudioTracks().length === 0) return undefined;
    const sound = new AudioContext();
    const analyser = sound.createAnalyser();
    analyser.fftSize = 1_024;
    sound.createMediaStreamSource(stream).connect(analyser);
    const samples = new Float32Array(analyser.fftSize);
    const timer = setInterval(() => {
      analyser.getFloatTimeDomainData(samples);
      const power = Math.sqrt(samples.reduce((sum, s) => sum + s * s, 0) / samples.length);
      // Loudness is heard by its logarithm: 60 dB from silence to as loud as it goes.
      const loud = power > 0 ? Math.max(0, 1 + (20 * Math.log10(power)) / 60) : 0;
      if (meter.current) meter.current.value = loud;
    }, 100);
    return () => {
      clearInterval(timer);
      void sound.close();
    };
  }, [stream]);
  return (
    <label className="flex items-center gap-2 text-[12.5px] text-ink-2">
      Loudness
      <meter ref={meter} min={0} max={1} low={0.2} optimum={0.6} className="w-32" />
    </label>
  );
}
