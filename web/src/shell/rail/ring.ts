/** Three short tones, loud enough for a kitchen and kind enough for a guest. Silent where sound is not allowed. */
export function ring(): void {
  try {
    const sound = new AudioContext();
    const tones = [880, 880, 1320];
    tones.forEach((hertz, i) => {
      const tone = sound.createOscillator();
      const volume = sound.createGain();
      const from = sound.currentTime + i * 0.35;
      tone.frequency.value = hertz;
      volume.gain.setValueAtTime(0.0001, from);
      volume.gain.exponentialRampToValueAtTime(0.4, from + 0.02);
      volume.gain.exponentialRampToValueAtTime(0.0001, from + 0.3);
      tone.connect(volume).connect(sound.destination);
      tone.start(from);
      tone.stop(from + 0.32);
    });
    window.setTimeout(() => void sound.close(), 2000);
  } catch {
    // The countdown on the page and in the title says it too.
  }
}
