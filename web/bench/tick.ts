/** One short tick, loud enough beside running water. */
export function tick(audio: AudioContext): void {
  const tone = audio.createOscillator()
  const volume = audio.createGain()
  tone.frequency.value = 1200
  volume.gain.setValueAtTime(0.12, audio.currentTime)
  volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.05)
  tone.connect(volume).connect(audio.destination)
  tone.start()
  tone.stop(audio.currentTime + 0.06)
}
