import { photoIdOf } from '@blue-ledge/core';
import { existsSync, readdirSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { exif, greyPng as png, jpegSegment, pngChunk, smallJpeg, smallWebp } from './pictures.ts';
import { imageSize } from 'image-size';
import { DOOR, TestServer } from './server.ts';

/** Photos: kept once each beside the database, by what they are and not by what they are called. */

let server: TestServer;
beforeEach(async () => {
  server = await TestServer.withDemo();
});
afterEach(() => server.stop());

const send = (bytes: Buffer, type = 'image/png') =>
  server.http.post('/api/photos').set('content-type', type).send(bytes);
const enter = (photoId: string, id = 'p1') =>
  server.http.post(`${DOOR}/record`).send({
    id,
    at: new Date().toISOString(),
    by: 'Prep A',
    kind: 'photo',
    body: { photoId, zones: ['A'], atMm: [100, 200] },
  });
const files = (): string[] => {
  const folder = join(server.folder, 'photos');
  return existsSync(folder) ? readdirSync(folder) : [];
};

test('a photo is kept once, named by an entry, given back as it is, also after a restart', async () => {
  const { body } = await send(png()).expect(201);
  expect(body.photoId).toBe(photoIdOf(png()));
  await send(png(), 'image/jpeg').expect(201);
  expect(files()).toEqual([`${body.photoId}.png`]);
  await enter(body.photoId).expect(200);
  server = await server.restart();
  const got = await server.http.get(`/api/photos/${body.photoId}`).expect(200);
  expect(got.headers['content-type']).toBe('image/png');
  expect(got.headers['x-content-type-options']).toBe('nosniff');
  expect(Buffer.compare(got.body as Buffer, png())).toBe(0);
});

test.each([
  ['words that call themselves a picture', Buffer.from('<script>alert(1)</script>'), 415, /no photo/],
  [
    'a drawing with scripts',
    Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
    415,
    /no photo/,
  ],
  ['nothing', Buffer.alloc(0), 415, /no photo/],
  ['more than 8 MB', Buffer.alloc(9 * 1024 * 1024, 1), 413, /8 MB/],
  ['more pixels than anybody can open', png(40_000, 3), 422, /40000 by 3/],
])('%s is refused in words, and nothing is kept', async (_, bytes, status, words) => {
  const { body } = await send(bytes).expect(status);
  expect(body.title).toMatch(words);
  expect(files()).toEqual([]);
});

test('JSON is taken where JSON is, a picture only where pictures are', async () => {
  await server.http.post('/api/photos').send({ photo: 'here' }).expect(415);
  await server.http.post('/api/jobs').set('content-type', 'image/png').send(png()).expect(415);
  await server.http.get('/api/photos/..%2Fledge.sqlite').expect(400);
});

test('an entry of a photo that is not here says so', async () => {
  const { body } = await enter('a'.repeat(64)).expect(422);
  expect(body.problems).toEqual([
    { path: 'body.photoId', message: 'names a photo that has not arrived here: send the photo first' },
  ]);
  await server.http.get(`/api/photos/${'a'.repeat(64)}`).expect(404);
});

test('photos that no entry names go after a day, half written ones too; the others stay', async () => {
  const named = (await send(png()).expect(201)).body.photoId as string;
  const lost = (await send(png(3, 3)).expect(201)).body.photoId as string;
  const fresh = (await send(png(4, 4)).expect(201)).body.photoId as string;
  await enter(named).expect(200);
  const folder = join(server.folder, 'photos');
  writeFileSync(join(folder, 'half.part'), 'x');
  const before = new Date(Date.now() - 2 * 24 * 60 * 60 * 1000);
  for (const name of [`${named}.png`, `${lost}.png`, 'half.part'])
    utimesSync(join(folder, name), before, before);
  server = await server.restart();
  expect(files().toSorted()).toEqual([`${named}.png`, `${fresh}.png`].toSorted());
});

describe('what a camera writes beside a picture does not stay', () => {
  const SECRET = 'N 53 Harbour Lane, camera 4711';
  const notes = Buffer.from(SECRET);
  const kept = async (bytes: Buffer): Promise<Buffer> => {
    const { body } = await send(bytes).expect(201);
    const got = await server.http.get(`/api/photos/${body.photoId}`).buffer(true).expect(200);
    expect(body.photoId).toBe(photoIdOf(got.body as Buffer));
    return got.body as Buffer;
  };

  test.each([
    ['a PNG', png(2, 2, [pngChunk('tEXt', notes), pngChunk('eXIf', notes)]), png()],
    [
      'a JPEG',
      smallJpeg([
        jpegSegment(0xffe1, exif(1, SECRET)),
        jpegSegment(0xffed, notes),
        jpegSegment(0xfffe, notes),
      ]),
      smallJpeg(),
    ],
    [
      'a WebP',
      smallWebp([
        { name: 'EXIF', data: notes },
        { name: 'XMP ', data: Buffer.from(`${SECRET}.`) },
      ]),
      smallWebp(),
    ],
  ])('%s becomes the same picture without it', async (_, noted, plain) => {
    expect(noted.includes(SECRET)).toBe(true);
    expect(Buffer.compare(await kept(noted), plain)).toBe(0);
    expect(Buffer.compare(await kept(plain), plain)).toBe(0);
  });

  test('a picture that was taken sideways stays the right way up', async () => {
    const turned = await kept(smallJpeg([jpegSegment(0xffe1, exif(6, SECRET))]));
    expect(turned.includes(SECRET)).toBe(false);
    expect(imageSize(turned)).toMatchObject({ orientation: 6 });
    expect(Buffer.compare(await kept(turned), turned)).toBe(0);
  });

  test('one that is cut off is kept as far as it goes', async () => {
    const whole = smallJpeg([jpegSegment(0xffe1, exif(1, SECRET))]);
    expect((await kept(whole.subarray(0, whole.length - 4))).includes(SECRET)).toBe(false);
  });
});
