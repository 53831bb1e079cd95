const ACROSS = 1280;
const QUALITY = 0.7;

/** The picture as a JPEG data URL, no wider or higher than needed to see a scorch mark: it has to go over one bar of signal. */
export async function shrunk(file: File): Promise<string> {
    const picture = await createImageBitmap(file);
    const scale = Math.min(1, ACROSS / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(picture.width * scale);
    canvas.height = Math.round(picture.height * scale);
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    picture.close();
    return canvas.toDataURL('image/jpeg', QUALITY);
}
