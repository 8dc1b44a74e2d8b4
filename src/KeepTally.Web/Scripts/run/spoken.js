// What a voice says, where the browser has one; the last word counts.
export function speak(said, loudness) {
  if (!said || !window.speechSynthesis) {
    return;
  }
  const words = new SpeechSynthesisUtterance(said);
  words.lang = "en";
  words.volume = loudness / 100;
  speechSynthesis.cancel();
  speechSynthesis.speak(words);
}
