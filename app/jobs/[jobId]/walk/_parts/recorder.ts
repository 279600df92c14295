'use client';

import type { Outcome } from '@/core/quantity';

export interface Recording {
  readonly samples: Float32Array;
  readonly sampleRate: number;
}

/** Listens to the device’s microphone for some seconds, counting down; says why it cannot. */
export async function recorded(seconds: number, onLeft: (left: number) => void): Promise<Outcome<Recording>> {
  if (!navigator.mediaDevices?.getUserMedia)
    return {
      ok: false,
      reason:
        'This page may not use the microphone here: it needs https, or this device itself. A sound file or the stand-in will do.',
    };
  let stream: MediaStream;
  try {
    // Echo and noise suppression would eat the ring.
    stream = await navigator.mediaDevices.getUserMedia({
      audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    });
  } catch {
    return {
      ok: false,
      reason: 'The microphone was refused or there is none. A sound file or the stand-in will do.',
    };
  }
  try {
    const recorder = new MediaRecorder(stream);
    const chunks: Blob[] = [];
    recorder.ondataavailable = (event) => chunks.push(event.data);
    const stopped = new Promise<void>((resolve) => {
      recorder.onstop = () => resolve();
    });
    recorder.start();
    for (let left = seconds; left > 0; left--) {
      onLeft(left);
      await new Promise((resolve) => setTimeout(resolve, 1000));
    }
    recorder.stop();
    await stopped;
    return await samplesOf(new Blob(chunks, { type: recorder.mimeType }));
  } finally {
    stream.getTracks().forEach((track) => track.stop());
  }
}

/** A sound file’s first channel. */
export async function samplesOf(file: Blob): Promise<Outcome<Recording>> {
  const context = new AudioContext();
  try {
    const audio = await context.decodeAudioData(await file.arrayBuffer());
    return { ok: true, value: { samples: audio.getChannelData(0).slice(), sampleRate: audio.sampleRate } };
  } catch {
    return { ok: false, reason: 'This is no sound that can be read; nothing was kept.' };
  } finally {
    void context.close();
  }
}
