// Signs in at an application as one of the made-up coaches of the demo, as the page does it.
const field = (html, name) => html.match(new RegExp(`name="${name}"[^>]* value="([^"]*)"`))?.[1];
const cookiesOf = (response) => response.headers.getSetCookie().map((cookie) => cookie.split(";")[0]);

/** The cookies as one header. */
export async function signIn(url, coach = "Robin Teal") {
  const page = await fetch(`${url}/signin`);
  const html = await page.text();
  const id = html.match(new RegExp(`name="coach" value="(\\d+)">${coach}`))[1];
  const held = cookiesOf(page);
  const answer = await fetch(`${url}/signin?handler=Demo`, {
    method: "POST",
    redirect: "manual",
    headers: { cookie: held.join("; ") },
    body: new URLSearchParams({ coach: id, __RequestVerificationToken: field(html, "__RequestVerificationToken") }),
  });
  if (answer.status !== 302) {
    throw new Error(`Signing in was answered with ${answer.status}.`);
  }
  return [...held, ...cookiesOf(answer)].join("; ");
}

/** The cookies as a browser keeps them. They are good at every port of this machine. */
export function stateOf(cookies) {
  return {
    origins: [],
    cookies: cookies.split("; ").map((cookie) => {
      const [name, ...value] = cookie.split("=");
      return {
        name,
        value: value.join("="),
        domain: "127.0.0.1",
        path: "/",
        expires: -1,
        httpOnly: true,
        secure: false,
        sameSite: "Lax",
      };
    }),
  };
}
