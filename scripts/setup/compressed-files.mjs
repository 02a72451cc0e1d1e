import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { promisify } from "node:util";
import { brotliCompress, constants, gzip } from "node:zlib";

/** What text compresses to; fonts and pictures are compressed as they are. */
const TEXTS = /[.](js|css|svg|json|html|map)$/;
/** Shorter ones fit into a packet or two as they are. */
const SHORT = 1024;
/** So many at a time: each takes a core. */
const AT_ONCE = 2;

const brotli = promisify(brotliCompress);
const gzipped = promisify(gzip);

async function compress(file) {
  const bytes = readFileSync(file);
  if (bytes.byteLength < SHORT) return;
  writeFileSync(
    `${file}.br`,
    await brotli(bytes, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: bytes.byteLength } }),
  );
  writeFileSync(`${file}.gz`, await gzipped(bytes, { level: 9 }));
}

/** Puts beside each text under a folder what it is compressed, once for everybody who asks for it. */
export async function compressFiles(folder) {
  const open = readdirSync(folder, { recursive: true, encoding: "utf8" }).filter((file) => TEXTS.test(file));
  const lane = async () => {
    for (let file = open.pop(); file; file = open.pop()) await compress(join(folder, file));
  };
  await Promise.all(Array.from({ length: AT_ONCE }, lane));
}
