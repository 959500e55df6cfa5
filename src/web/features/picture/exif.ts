import exifr from 'exifr';

/** What a picture's file says of the lens, as a 35 mm camera would have it; null where it says nothing. */
export async function focal35Of(file: Blob): Promise<number | null> {
  try {
    const said = (await exifr.parse(file, ['FocalLengthIn35mmFormat'])) as
      | { FocalLengthIn35mmFormat?: unknown }
      | undefined;
    const mm = said?.FocalLengthIn35mmFormat;
    return typeof mm === 'number' && mm >= 10 && mm <= 200 ? mm : null;
  } catch {
    // A file without any of that is no fault.
    return null;
  }
}
