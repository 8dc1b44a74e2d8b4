// One press turns the sound of this screen on or off; a browser lets it sound only once something was pressed.
export class SoundButton {
  #button = document.getElementById("sound");
  #sound;

  constructor(sound) {
    this.#sound = sound;
    this.#button.addEventListener("click", () => {
      sound.toggle();
      this.#show();
    });
    document.addEventListener("keydown", () => sound.wake());
    this.#show();
  }

  #show() {
    this.#button.textContent = this.#sound.on ? "Sound on" : "Sound off";
    this.#button.setAttribute("aria-pressed", String(this.#sound.on));
  }
}
