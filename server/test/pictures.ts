import { crc32, deflateSync } from 'node:zlib';

/** Small pictures of each kind, with and without what a camera writes beside them. */

export const pngChunk = (name: string, data: Buffer): Buffer => {
  const body = Buffer.concat([Buffer.from(name, 'latin1'), data]);
  const [length, check] = [Buffer.alloc(4), Buffer.alloc(4)];
  length.writeUInt32BE(data.length);
  check.writeUInt32BE(crc32(body));
  return Buffer.concat([length, body, check]);
};

/** A grey picture. */
export function greyPng(width = 2, height = 2, more: readonly Buffer[] = []): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([8, 0, 0, 0, 0], 8);
  const lines = deflateSync(Buffer.alloc((Math.min(width, 4) + 1) * Math.min(height, 4), 128));
  const sign = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
  return Buffer.concat([
    sign,
    pngChunk('IHDR', head),
    ...more,
    pngChunk('IDAT', lines),
    pngChunk('IEND', Buffer.alloc(0)),
  ]);
}

export const jpegSegment = (marker: number, data: Buffer): Buffer => {
  const head = Buffer.alloc(4);
  head.writeUInt16BE(marker, 0);
  head.writeUInt16BE(data.length + 2, 2);
  return Buffer.concat([head, data]);
};

/** A JPEG of 2 by 2 as far as sizes are read; what is coded in it is not looked at. */
export function smallJpeg(more: readonly Buffer[] = []): Buffer {
  const frame = Buffer.from([8, 0, 2, 0, 2, 1, 1, 0x11, 0]);
  return Buffer.concat([
    Buffer.from([0xff, 0xd8]),
    jpegSegment(0xffe0, Buffer.from('JFIF\0\x01\x01\0\0\x01\0\x01\0\0', 'latin1')),
    ...more,
    jpegSegment(0xffc0, frame),
    jpegSegment(0xffda, Buffer.from([1, 1, 0, 0, 63, 0])),
    Buffer.from([0x12, 0x34, 0xff, 0x00, 0xff, 0xd9]),
  ]);
}

/** EXIF of a camera that was held some way, with a text that nobody else should read. */
export function exif(orientation: number, secret: string): Buffer {
  const tiff = Buffer.alloc(26);
  tiff.write('II*\0', 0, 'latin1');
  tiff.writeUInt32LE(8, 4);
  tiff.writeUInt16LE(1, 8);
  tiff.writeUInt16LE(0x0112, 10);
  tiff.writeUInt16LE(3, 12);
  tiff.writeUInt32LE(1, 14);
  tiff.writeUInt16LE(orientation, 18);
  return Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff, Buffer.from(secret)]);
}

const webpChunk = (name: string, data: Buffer): Buffer => {
  const size = Buffer.alloc(4);
  size.writeUInt32LE(data.length);
  return Buffer.concat([Buffer.from(name, 'latin1'), size, data, Buffer.alloc(data.length % 2)]);
};

/** A WebP of 2 by 2 with an extended head. @param more chunks behind the picture, and whether the head says that they are there */
export function smallWebp(notes: readonly { readonly name: string; readonly data: Buffer }[] = []): Buffer {
  const head = Buffer.from([notes.length > 0 ? 0x0c : 0, 0, 0, 0, 1, 0, 0, 1, 0, 0]);
  const picture = Buffer.from([0x30, 1, 0, 0x9d, 1, 0x2a, 2, 0, 2, 0, 0]);
  const chunks = [
    webpChunk('VP8X', head),
    webpChunk('VP8 ', picture),
    ...notes.map(({ name, data }) => webpChunk(name, data)),
  ];
  const body = Buffer.concat([Buffer.from('WEBP'), ...chunks]);
  const size = Buffer.alloc(4);
  size.writeUInt32LE(body.length);
  return Buffer.concat([Buffer.from('RIFF'), size, body]);
}
