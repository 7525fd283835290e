import { MOST_PHOTO_BYTES, photoIdOf } from '@blue-ledge/core';

/** A photo as it is kept: small enough to send from a bench, large enough to see a nib. */

/** Longest side, px. */
const MOST_SIDE_PX = 2000;
const JPEG_QUALITY = 0.85;
/** A file larger than this is no photo of a bench, and would fill a tablet's memory. */
const MOST_FILE_BYTES = 40 * 1024 * 1024;
const MEGA = 1024 * 1024;

export interface ScaledPhoto {
  readonly photoId: string;
  readonly blob: Blob;
}

/** Why a file cannot be kept as a photo, in words. */
export class NoPhoto extends Error {}

async function pictureOf(file: Blob): Promise<ImageBitmap> {
  try {
    return await createImageBitmap(file);
  } catch {
    throw new NoPhoto('This is no photo that this browser can read. Take one, or choose a JPEG or PNG.');
  }
}

/**
 * Scales a photo down, the right way up; what the camera wrote into it besides the picture (place, owner) stays behind.
 * @throws {NoPhoto} in words for a file that is none
 */
export async function scaledPhoto(file: File): Promise<ScaledPhoto> {
  if (file.size > MOST_FILE_BYTES)
    throw new NoPhoto(
      `This file has ${Math.round(file.size / MEGA)} MB: a photo has at most ${MOST_FILE_BYTES / MEGA} MB. Take it at a lower setting.`,
    );
  const picture = await pictureOf(file);
  const scale = Math.min(1, MOST_SIDE_PX / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(picture.width * scale));
  canvas.height = Math.max(1, Math.round(picture.height * scale));
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', JPEG_QUALITY));
  if (!blob || blob.size > MOST_PHOTO_BYTES)
    throw new NoPhoto('This photo could not be scaled down here. Take it at a lower setting.');
  return { photoId: photoIdOf(new Uint8Array(await blob.arrayBuffer())), blob };
}
