// Keeps the screen awake while a practice is run; asked for again whenever the page comes back into view.
export function stayAwake() {
  const ask = () => {
    if (document.visibilityState === "visible") {
      navigator.wakeLock?.request("screen").catch(() => {});
    }
  };
  document.addEventListener("visibilitychange", ask);
  ask();
}
