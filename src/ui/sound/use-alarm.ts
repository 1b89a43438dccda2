"use client";

import { useEffect, useRef } from "react";

/** Beeps and buzzes, each as often as asked, where the device allows it. */
function sound(context: AudioContext | null, times: number): void {
  navigator.vibrate?.(Array.from({ length: 2 * times - 1 }, (_, i) => (i % 2 === 0 ? 350 : 150)));
  if (!context || context.state !== "running") return;
  for (let i = 0; i < times; i++) {
    const tone = context.createOscillator();
    const volume = context.createGain();
    const fromS = context.currentTime + 0.45 * i;
    tone.frequency.value = 880;
    volume.gain.setValueAtTime(0.25, fromS);
    volume.gain.exponentialRampToValueAtTime(0.001, fromS + 0.35);
    tone.connect(volume).connect(context.destination);
    tone.start(fromS);
    tone.stop(fromS + 0.36);
  }
}

/**
 * Sounds once whenever `state` becomes one of those that call, as often as each says. Returns what a tap has to do first:
 * a browser lets a page sound only after one.
 */
export function useAlarm(state: string, calls: Readonly<Record<string, number>>): () => void {
  const context = useRef<AudioContext | null>(null);
  const before = useRef(state);
  useEffect(() => {
    if (before.current === state) return;
    before.current = state;
    const times = calls[state];
    if (times) sound(context.current, times);
  }, [state, calls]);
  useEffect(() => () => void context.current?.close().catch(() => undefined), []);
  return () => {
    if (typeof AudioContext === "undefined") return;
    context.current ??= new AudioContext();
    // Refused where the device keeps pages silent: it buzzes and shows all the same.
    void context.current.resume().catch(() => undefined);
  };
}
