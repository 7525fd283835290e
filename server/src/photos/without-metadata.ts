import type { PhotoType } from './photo-store.ts';

/**
 * A picture without what a camera writes beside it: place, time, device, owner, preview. The picture itself is not touched.
 * Of a JPEG's orientation a mark of its own stays, for without it the picture would lie on its side.
 */

/** Parts of a file that go on, in their order; what is not whole is left as it is. */
type Stripper = (bytes: Buffer) => Buffer;

const JPEG_START = 0xffd8;
const JPEG_SCAN = 0xffda;
const JPEG_APP0 = 0xffe0;
const JPEG_APP1 = 0xffe1;
const JPEG_APP2 = 0xffe2;
const JPEG_APP14 = 0xffee;
const JPEG_APP15 = 0xffef;
const JPEG_COMMENT = 0xfffe;
/** Size of the picture, its colours, and how they were coded. */
const JPEG_KEPT: ReadonlySet<number> = new Set([JPEG_APP0, JPEG_APP2, JPEG_APP14]);
const isNote = (marker: number): boolean =>
  marker === JPEG_COMMENT || (marker >= JPEG_APP0 && marker <= JPEG_APP15 && !JPEG_KEPT.has(marker));

const EXIF = Buffer.from('Exif\0\0', 'latin1');
const ORIENTATION_TAG = 0x0112;
const UPRIGHT = 1;

/** How a camera was held, 1 to 8, by an EXIF segment; upright where it does not say. */
function orientationIn(segment: Buffer): number {
  if (!segment.subarray(0, EXIF.length).equals(EXIF)) return UPRIGHT;
  const tiff = segment.subarray(EXIF.length);
  try {
    const isLittle = tiff.toString('latin1', 0, 2) === 'II';
    const u16 = (at: number): number => (isLittle ? tiff.readUInt16LE(at) : tiff.readUInt16BE(at));
    const u32 = (at: number): number => (isLittle ? tiff.readUInt32LE(at) : tiff.readUInt32BE(at));
    const first = u32(4);
    for (let i = 0; i < u16(first); i++) {
      const at = first + 2 + i * 12;
      if (u16(at) === ORIENTATION_TAG) return u16(at + 8);
    }
  } catch {
    // An EXIF that is cut off says nothing.
  }
  return UPRIGHT;
}

/** An EXIF segment that says nothing but how the camera was held. */
function orientationSegment(orientation: number): Buffer {
  const tiff = Buffer.alloc(26);
  tiff.write('MM\0*', 0, 'latin1');
  tiff.writeUInt32BE(8, 4);
  tiff.writeUInt16BE(1, 8);
  tiff.writeUInt16BE(ORIENTATION_TAG, 10);
  tiff.writeUInt16BE(3, 12);
  tiff.writeUInt32BE(1, 14);
  tiff.writeUInt16BE(orientation, 18);
  const head = Buffer.alloc(4);
  head.writeUInt16BE(JPEG_APP1, 0);
  head.writeUInt16BE(2 + EXIF.length + tiff.length, 2);
  return Buffer.concat([head, EXIF, tiff]);
}

const jpeg: Stripper = (bytes) => {
  const kept = [bytes.subarray(0, 2)];
  if (bytes.length < 4 || bytes.readUInt16BE(0) !== JPEG_START) return bytes;
  let at = 2;
  let orientation = UPRIGHT;
  const segments: Buffer[] = [];
  while (at + 4 <= bytes.length) {
    const marker = bytes.readUInt16BE(at);
    if (marker === JPEG_SCAN || marker < 0xff01) break;
    const end = at + 2 + bytes.readUInt16BE(at + 2);
    if (end > bytes.length) break;
    if (marker === JPEG_APP1) {
      const said = orientationIn(bytes.subarray(at + 4, end));
      if (said > UPRIGHT && said <= 8) orientation = said;
    }
    if (!isNote(marker)) segments.push(bytes.subarray(at, end));
    at = end;
  }
  if (orientation !== UPRIGHT) kept.push(orientationSegment(orientation));
  return Buffer.concat([...kept, ...segments, bytes.subarray(at)]);
};

const PNG_HEAD_BYTES = 8;
const PNG_NOTES: ReadonlySet<string> = new Set(['tEXt', 'zTXt', 'iTXt', 'eXIf', 'tIME', 'dSIG']);

const png: Stripper = (bytes) => {
  const kept = [bytes.subarray(0, PNG_HEAD_BYTES)];
  let at = PNG_HEAD_BYTES;
  while (at + 12 <= bytes.length) {
    const end = at + 12 + bytes.readUInt32BE(at);
    if (end > bytes.length) break;
    const name = bytes.toString('latin1', at + 4, at + 8);
    if (!PNG_NOTES.has(name)) kept.push(bytes.subarray(at, end));
    at = end;
    // What lies behind the picture is none of it.
    if (name === 'IEND') return Buffer.concat(kept);
  }
  return Buffer.concat([...kept, bytes.subarray(at)]);
};

const WEBP_HEAD_BYTES = 12;
const WEBP_NOTES: ReadonlySet<string> = new Set(['EXIF', 'XMP ']);
/** Flags of the head that say that notes follow. */
const WEBP_HAS_NOTES = 0x0c;

const webp: Stripper = (bytes) => {
  const kept: Buffer[] = [];
  let at = WEBP_HEAD_BYTES;
  while (at + 8 <= bytes.length) {
    const size = bytes.readUInt32LE(at + 4);
    const end = Math.min(at + 8 + size + (size % 2), bytes.length);
    const name = bytes.toString('latin1', at, at + 4);
    const chunk = Buffer.from(bytes.subarray(at, end));
    if (name === 'VP8X' && chunk.length > 8) chunk.writeUInt8(chunk.readUInt8(8) & ~WEBP_HAS_NOTES, 8);
    if (!WEBP_NOTES.has(name)) kept.push(chunk);
    at = end;
  }
  const head = Buffer.from(bytes.subarray(0, WEBP_HEAD_BYTES));
  head.writeUInt32LE(WEBP_HEAD_BYTES - 8 + kept.reduce((sum, { length }) => sum + length, 0), 4);
  return Buffer.concat([head, ...kept]);
};

const STRIPPERS: Readonly<Record<PhotoType, Stripper>> = { jpg: jpeg, png, webp };

/** A picture without notes of the camera; one that has none comes back byte for byte. */
export const withoutMetadata = (bytes: Buffer, type: PhotoType): Buffer => STRIPPERS[type](bytes);
