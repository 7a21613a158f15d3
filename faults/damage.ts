import { deflateRawSync, inflateRawSync } from 'node:zlib';

/** Numbers between 0 and 1, the same for the same seed (mulberry32, public domain). */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

const ODD = [
  '9'.repeat(40),
  '-1',
  '1e308',
  'NaN',
  '(',
  ')))))',
  '\0',
  '$',
  "''",
  '\u{1F3D7}',
  '#1',
  '0',
  '\n\n',
  '%',
  '{',
  '<',
];

/** A file damaged in one to six places, as bad disks, bad programs and bad people damage them. */
export function damaged(bytes: Buffer, random: () => number): Buffer {
  let out: Buffer = Buffer.from(bytes);
  const pick = (n: number) => Math.floor(random() * n);
  for (let times = 1 + pick(6); times > 0; times -= 1) {
    const at = pick(out.length);
    const length = Math.min(out.length - at, 1 + pick(random() < 0.5 ? 8 : 400));
    const part = out.subarray(at, at + length);
    const [before, after] = [out.subarray(0, at), out.subarray(at + length)];
    switch (pick(7)) {
      case 0:
        out[at] = pick(256);
        break;
      case 1:
        out = Buffer.concat([before, after]);
        break;
      case 2:
        out = Buffer.concat([before, ...Array.from({ length: 1 + pick(40) }, () => part), after]);
        break;
      case 3:
        out = Buffer.from(before);
        break;
      case 4:
        out = Buffer.concat([before, Buffer.from(ODD[pick(ODD.length)]!), after]);
        break;
      case 5:
        out = Buffer.concat([after, part, before]);
        break;
      default:
        out = Buffer.concat([before, Buffer.from(part).reverse(), after]);
    }
    if (out.length === 0) return out;
  }
  return out;
}

const CRC = Uint32Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k += 1) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});

function crc32(bytes: Uint8Array): number {
  let c = 0xffffffff;
  for (const byte of bytes) c = CRC[(c ^ byte) & 255]! ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}

/** A ZIP archive's files, by the central directory (PKWARE application note 6.3, without extensions). */
export function unzipped(zip: Buffer): Map<string, Buffer> {
  const files = new Map<string, Buffer>();
  const end = zip.lastIndexOf(Buffer.from('PK\x05\x06'));
  let at = zip.readUInt32LE(end + 16);
  for (let left = zip.readUInt16LE(end + 10); left > 0; left -= 1) {
    const [nameLength, extra, comment] = [28, 30, 32].map((offset) => zip.readUInt16LE(at + offset));
    const name = zip.toString('utf8', at + 46, at + 46 + nameLength!);
    const local = zip.readUInt32LE(at + 42);
    const begin = local + 30 + zip.readUInt16LE(local + 26) + zip.readUInt16LE(local + 28);
    const packed = zip.subarray(begin, begin + zip.readUInt32LE(at + 20));
    files.set(name, zip.readUInt16LE(at + 10) === 8 ? inflateRawSync(packed) : Buffer.from(packed));
    at += 46 + nameLength! + extra! + comment!;
  }
  return files;
}

/** A ZIP archive of files. */
export function zipped(files: ReadonlyMap<string, Buffer>): Buffer {
  const parts: Buffer[] = [];
  const entries: Buffer[] = [];
  let offset = 0;
  for (const [name, bytes] of files) {
    const packed = deflateRawSync(bytes);
    const head = Buffer.alloc(26);
    head.writeUInt16LE(20, 0);
    head.writeUInt16LE(8, 4);
    head.writeUInt32LE(crc32(bytes), 10);
    head.writeUInt32LE(packed.length, 14);
    head.writeUInt32LE(bytes.length, 18);
    head.writeUInt16LE(Buffer.byteLength(name), 22);
    const local = Buffer.concat([Buffer.from('PK\x03\x04'), head, Buffer.from(name), packed]);
    const tail = Buffer.alloc(14);
    tail.writeUInt32LE(offset, 10);
    entries.push(Buffer.concat([Buffer.from('PK\x01\x02\x14\x00'), head, tail, Buffer.from(name)]));
    parts.push(local);
    offset += local.length;
  }
  const directory = Buffer.concat(entries);
  const end = Buffer.alloc(22);
  end.write('PK\x05\x06', 0, 'latin1');
  end.writeUInt16LE(files.size, 8);
  end.writeUInt16LE(files.size, 10);
  end.writeUInt32LE(directory.length, 12);
  end.writeUInt32LE(offset, 16);
  return Buffer.concat([...parts, directory, end]);
}
