/** A tick and a buzz with a tap, where the device has them. Neither is ever the only sign. */
const BUZZ_MS = 12;
const TICK_HZ = 1100;
const TICK_S = 0.03;

let sound: AudioContext | null = null;

export function tick(): void {
  if (typeof navigator !== 'undefined' && 'vibrate' in navigator) navigator.vibrate(BUZZ_MS);
  if (typeof AudioContext === 'undefined') return;
  sound ??= new AudioContext();
  const tone = sound.createOscillator();
  const loudness = sound.createGain();
  tone.frequency.value = TICK_HZ;
  loudness.gain.setValueAtTime(0.2, sound.currentTime);
  loudness.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + TICK_S);
  tone.connect(loudness).connect(sound.destination);
  tone.start();
  tone.stop(sound.currentTime + TICK_S);
}
