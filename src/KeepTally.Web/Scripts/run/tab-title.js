// The clock in the title of the tab: read at a glance while another page is looked at.
const ofPage = document.title;

/** @param clock the clock as it stands; none once all is over. */
export function showInTitle(clock) {
  const title = clock ? `${clock.left} ${clock.word} · ${ofPage}`.trim() : ofPage;
  if (document.title !== title) {
    document.title = title;
  }
}
