// Horn, start and calls, made here: no file to load, no network needed. Each is planned a little ahead on the audio
// clock, so that a busy page does not delay it, and withdrawn if the clock is stopped meanwhile.
const tones = {
  call: { notes: [880], length: 0.09, wave: "square", loud: 0.25 },
  go: { notes: [660, 990], length: 0.35, wave: "sawtooth", loud: 0.35 },
  surprise: { notes: [1320, 1760], length: 0.6, wave: "square", loud: 0.45 },
  rep: { notes: [440], length: 0.4, wave: "square", loud: 0.3 },
  horn: { notes: [233, 294, 349], length: 1.1, wave: "sawtooth", loud: 0.45 },
};
const key = "sound";

export class Sound {
  #context = null;
  #planned = [];
  on = localStorage.getItem(key) !== "off";

  /** Browsers let a page sound only after a touch; the first one opens the way. */
  wake() {
    this.#context ??= new AudioContext();
    if (this.#context.state === "suspended") {
      this.#context.resume();
    }
  }

  toggle() {
    this.on = !this.on;
    localStorage.setItem(key, this.on ? "on" : "off");
    this.withdraw();
    if (this.on) {
      this.wake();
      this.plan("call", 0);
    }
  }

  plan(kind, milliseconds) {
    if (!this.on || this.#context?.state !== "running") {
      return;
    }
    const { notes, length, wave, loud } = tones[kind];
    const start = this.#context.currentTime + Math.max(0, milliseconds) / 1000;
    for (const note of notes) {
      const voice = this.#context.createOscillator();
      const volume = this.#context.createGain();
      voice.type = wave;
      voice.frequency.value = note;
      volume.gain.setValueAtTime(0.0001, start);
      volume.gain.exponentialRampToValueAtTime(loud / notes.length, start + 0.01);
      volume.gain.setValueAtTime(loud / notes.length, start + length - 0.04);
      volume.gain.exponentialRampToValueAtTime(0.0001, start + length);
      voice.connect(volume).connect(this.#context.destination);
      voice.start(start);
      voice.stop(start + length);
      this.#planned.push({ voice, start });
    }
  }

  /** Takes back what has not sounded yet. */
  withdraw() {
    const now = this.#context?.currentTime ?? 0;
    for (const { voice, start } of this.#planned) {
      if (start > now) {
        voice.disconnect();
      }
    }
    this.#planned = [];
  }
}
