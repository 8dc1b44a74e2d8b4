// Horn, start and calls, made here: no file to load, no network needed.
const tones = {
  call: { notes: [880], length: 0.09, wave: "square", loud: 0.25 },
  go: { notes: [660, 990], length: 0.35, wave: "sawtooth", loud: 0.35 },
  surprise: { notes: [1320, 1760], length: 0.6, wave: "square", loud: 0.45 },
  rep: { notes: [440], length: 0.4, wave: "square", loud: 0.3 },
  horn: { notes: [233, 294, 349], length: 1.1, wave: "sawtooth", loud: 0.45 },
  win: { notes: [523, 659, 784], length: 0.6, wave: "triangle", loud: 0.4 },
  best: { notes: [784, 1047], length: 0.4, wave: "triangle", loud: 0.35 },
  gate: { notes: [659, 880], length: 0.22, wave: "triangle", loud: 0.3 },
  out: { notes: [330, 247], length: 0.3, wave: "triangle", loud: 0.3 },
  late: { notes: [196], length: 0.18, wave: "triangle", loud: 0.25 },
};

/**
 * Lets a signal sound in an audio context, which may be one that renders ahead of time.
 * @param into where it is heard.
 * @param start in seconds of the context's own clock.
 * @returns what takes it back as long as it has not begun.
 */
export function voice(context, into, kind, start) {
  const { notes, length, wave, loud } = tones[kind];
  const strings = notes.map((note) => {
    const string = context.createOscillator();
    const volume = context.createGain();
    string.type = wave;
    string.frequency.value = note;
    volume.gain.setValueAtTime(0.0001, start);
    volume.gain.exponentialRampToValueAtTime(loud / notes.length, start + 0.01);
    volume.gain.setValueAtTime(loud / notes.length, start + length - 0.04);
    volume.gain.exponentialRampToValueAtTime(0.0001, start + length);
    string.connect(volume).connect(into);
    string.start(start);
    string.stop(start + length);
    return string;
  });
  return () => strings.forEach((string) => string.disconnect());
}
