/** Longest side of a photograph that is kept (pixels), and how it is pressed: a defect is told, the network spared. */
const LONGEST = 1600;
const QUALITY = 0.8;

/** A photograph made small enough to send. @throws Error in words where the file is no picture. */
export async function scaled(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error(`“${file.name}” is no picture that this device reads`);
  });
  const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * scale);
  canvas.height = Math.round(picture.height * scale);
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  return new Promise((resolve, reject) => {
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be kept'))),
      'image/jpeg',
      QUALITY,
    );
  });
}
