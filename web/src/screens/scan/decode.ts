import jsQR from 'jsqr';

const MAX_SIDE_PX = 1400;

function read(source: CanvasImageSource, width: number, height: number): string | null {
  const shrink = Math.min(1, MAX_SIDE_PX / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(width * shrink));
  canvas.height = Math.max(1, Math.round(height * shrink));
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return null;
  context.drawImage(source, 0, 0, canvas.width, canvas.height);
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  return jsQR(data, canvas.width, canvas.height)?.data ?? null;
}

/** The square code in a picture file; null where none is seen. */
export async function decodePicture(file: File): Promise<string | null> {
  const bitmap = await createImageBitmap(file);
  return read(bitmap, bitmap.width, bitmap.height);
}

/** The square code in the camera's present frame. */
export const decodeVideo = (video: HTMLVideoElement): string | null =>
  video.videoWidth === 0 ? null : read(video, video.videoWidth, video.videoHeight);
