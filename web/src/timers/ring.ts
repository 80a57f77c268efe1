/** Three short tones and a shake, as far as the device allows. */
export function ring() {
  navigator.vibrate?.([250, 120, 250])
  try {
    const audio = new AudioContext()
    const volume = audio.createGain()
    volume.gain.value = 0.25
    volume.connect(audio.destination)
    for (let i = 0; i < 3; i++) {
      const tone = audio.createOscillator()
      tone.frequency.value = 660 + i * 110
      tone.connect(volume)
      tone.start(audio.currentTime + i * 0.28)
      tone.stop(audio.currentTime + i * 0.28 + 0.18)
    }
    setTimeout(() => void audio.close(), 1500)
  } catch {
    // a page that was never touched may not sound; the tray and the title still say it
  }
}
