// A text packed into an address and out of it: compressed (RFC 1951) and written in letters an address can hold (RFC 4648, 5).
const mark = "import#";

/** More than this is no card and no plan: what unpacks without end is stopped. */
const longest = 300_000;

export async function pack(text) {
  const packed = new Blob([text]).stream().pipeThrough(new CompressionStream("deflate-raw"));
  const bytes = new Uint8Array(await new Response(packed).arrayBuffer());
  let letters = "";
  for (const byte of bytes) {
    letters += String.fromCharCode(byte);
  }
  return btoa(letters).replaceAll("+", "-").replaceAll("/", "_").replace(/=+$/, "");
}

export const addressOf = (packed) => `${location.origin}/${mark}${packed}`;

/** The text in a link, however it was pasted; null where there is none in it. */
export async function unpack(link) {
  const trimmed = link.replaceAll(/\s/g, "");
  const packed = trimmed.includes(mark)
    ? trimmed.slice(trimmed.indexOf(mark) + mark.length)
    : trimmed.replace(/^#/, "");
  if (!/^[\w-]+$/.test(packed)) {
    return null;
  }
  try {
    const letters = atob(packed.replaceAll("-", "+").replaceAll("_", "/"));
    const bytes = Uint8Array.from(letters, (letter) => letter.charCodeAt(0));
    const reader = new Blob([bytes]).stream().pipeThrough(new DecompressionStream("deflate-raw")).getReader();
    const decoder = new TextDecoder("utf-8", { fatal: true });
    let text = "";
    for (;;) {
      const { done, value } = await reader.read();
      if (done) {
        return text + decoder.decode();
      }
      text += decoder.decode(value, { stream: true });
      if (text.length > longest) {
        await reader.cancel();
        return null;
      }
    }
  } catch {
    return null;
  }
}
