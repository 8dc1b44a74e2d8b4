// Once before all tests: a data folder with the whole demo in it, past and all. Each test begins with a copy of its own.
import { rmSync, writeFileSync } from "node:fs";
import { Application } from "./application.mjs";
import { signIn, stateOf } from "./sign-in.mjs";

const patience = 60_000;

export default async function fill() {
  const app = new Application();
  await app.start();
  const cookies = await signIn(app.url);
  writeFileSync(process.env.SIGNED_IN, JSON.stringify(stateOf(cookies)));
  const until = Date.now() + patience;
  while (
    !(await (await fetch(`${app.url}/groups/1`, { headers: { cookie: cookies } })).text()).includes('id="level-by"')
  ) {
    if (Date.now() > until) {
      throw new Error("The past of the demo did not come.");
    }
    await new Promise((done) => setTimeout(done, 200));
  }
  await app.close();
  process.env.FILLED_DATA = app.data;
  return () => rmSync(app.data, { recursive: true, force: true });
}
