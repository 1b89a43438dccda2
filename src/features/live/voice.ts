"use client";

import { useSyncExternalStore } from "react";

/** A voice of the device itself: nothing that is said leaves it. Null where there is none. */
function ownVoice(): SpeechSynthesisVoice | null {
  if (typeof speechSynthesis === "undefined") return null;
  const own = speechSynthesis.getVoices().filter((voice) => voice.localService);
  return own.find(({ lang }) => lang.startsWith("en")) ?? own[0] ?? null;
}

/** Whether the device has a voice; voices may come a moment after the page. */
export function useHasVoice(): boolean {
  return useSyncExternalStore(
    (changed) => {
      if (typeof speechSynthesis === "undefined") return () => undefined;
      speechSynthesis.addEventListener("voiceschanged", changed);
      return () => speechSynthesis.removeEventListener("voiceschanged", changed);
    },
    () => ownVoice() !== null,
    () => false,
  );
}

/** Says something aloud; what was said before and not finished is left, for the newest counts. */
export function say(text: string): void {
  const voice = ownVoice();
  if (!voice) return;
  speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.voice = voice;
  words.lang = voice.lang;
  words.rate = 1.15;
  speechSynthesis.speak(words);
}
