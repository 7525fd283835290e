import { Controller, Get, Param, Post, Req, Res, StreamableFile } from '@nestjs/common';
import type { Request, Response } from 'express';
import { imageSize } from 'image-size';
import type { z } from 'zod';
import { photoParams } from '../http/params.ts';
import { ProblemError, notFound } from '../http/problem.ts';
import { ZodPipe } from '../http/zod.pipe.ts';
import { withoutMetadata } from './without-metadata.ts';
import { PHOTO_TYPES, PhotoStore, type PhotoType } from './photo-store.ts';

/** More would be no photo: it only fills the memory of whoever opens it. */
const MOST_SIDE_PX = 12_000;
const FOREVER = 'private, max-age=31536000, immutable';

const isKept = (type: string): type is PhotoType => type in PHOTO_TYPES;

const noPhoto = (): ProblemError =>
  new ProblemError(415, 'This is no photo that is kept here. Send a picture as JPEG, PNG or WebP.');

/** What the bytes themselves say that they are; their name and sender do not count. @throws {ProblemError} */
function typeOf(bytes: Buffer): PhotoType {
  let found: ReturnType<typeof imageSize>;
  try {
    found = imageSize(bytes);
  } catch {
    throw noPhoto();
  }
  const { type = '', width, height } = found;
  if (!isKept(type)) throw noPhoto();
  if (width < 1 || height < 1 || Math.max(width, height) > MOST_SIDE_PX)
    throw new ProblemError(
      422,
      `This photo measures ${width} by ${height}: send one of at most ${MOST_SIDE_PX} pixels a side.`,
    );
  return type;
}

/** Photos of the record: sent before the entry that names them. */
@Controller('api/photos')
export class PhotosController {
  constructor(private readonly photos: PhotoStore) {}

  @Post()
  async keep(@Req() { body }: Request): Promise<{ readonly photoId: string }> {
    if (!Buffer.isBuffer(body) || body.length === 0) throw noPhoto();
    const type = typeOf(body);
    return { photoId: await this.photos.keep(withoutMetadata(body, type), type) };
  }

  @Get(':photo')
  async get(
    @Param(new ZodPipe(photoParams)) { photo }: z.infer<typeof photoParams>,
    @Res({ passthrough: true }) response: Response,
  ): Promise<StreamableFile> {
    const read = await this.photos.read(photo);
    if (read === null) throw notFound('This photo');
    if (read === 'changed')
      throw new ProblemError(
        409,
        'This photo is not the one that was taken: its file was changed or is damaged. Put it back from a backup.',
      );
    response.set({ 'content-type': read.mediaType, 'cache-control': FOREVER });
    return new StreamableFile(read.bytes);
  }
}
