/** How high, and for how long. */
const HZ = 880;
const SECONDS = 0.35;

/** A short tone; silence where the browser has none to give. */
export function beep(): void {
  if (typeof AudioContext === "undefined") return;
  const context = new AudioContext();
  const tone = context.createOscillator();
  const volume = context.createGain();
  volume.gain.value = 0.2;
  tone.frequency.value = HZ;
  tone.connect(volume).connect(context.destination);
  tone.onended = () => void context.close();
  tone.start();
  tone.stop(context.currentTime + SECONDS);
}
