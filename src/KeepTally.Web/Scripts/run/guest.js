// Somebody who is not in the squad joins for today. Who they are in the logs is the server's to say, so it takes a network.
const offline = "There is no network: a guest is written down once there is one.";

/** @returns { name } once they may come in, or { fault } in words. */
export async function welcome(practice, name) {
  const answer = await fetch(`/api/practices/${practice}/guests`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ name }),
    redirect: "manual",
  }).catch(() => null);
  if (!answer) {
    return { fault: offline };
  }
  const told = await answer.json().catch(() => ({}));
  return answer.ok ? { name: told.name } : { fault: told.detail ?? "Not written down. Sign in again, then once more." };
}
