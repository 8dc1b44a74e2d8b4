// The way back of a phone closes what lies over the pads before it leaves the practice.
const openPanels = (root) =>
  [...root.querySelectorAll("dialog")]
    .filter(({ open }) => open)
    .concat([...root.querySelectorAll("#more:not([hidden])")]);

/** @param close takes a panel that is open and closes it. */
export function letBackClose(root, close) {
  let ahead = false;
  const look = () => {
    const isOpen = openPanels(root).some(
      (panel) => panel.matches("dialog") || getComputedStyle(panel).position === "fixed",
    );
    if (isOpen && !ahead) {
      ahead = true;
      history.pushState({ panel: true }, "");
    } else if (!isOpen && ahead) {
      ahead = false;
      if (history.state?.panel) {
        history.back();
      }
    }
  };
  new MutationObserver(look).observe(root, { attributes: true, attributeFilter: ["open", "hidden"], subtree: true });
  addEventListener("popstate", () => {
    if (ahead) {
      ahead = false;
      openPanels(root).forEach(close);
    }
  });
}
