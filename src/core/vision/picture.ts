/** A picture in shades of grey, row by row from the top left; 0 is black, 255 white, as a camera encodes them. */
export interface GreyPicture {
  widthPx: number;
  heightPx: number;
  shades: Uint8Array;
}

/** A picture in linear light, 0 to 1. */
export interface LightPicture {
  widthPx: number;
  heightPx: number;
  light: Float32Array;
}

/** Grey of a colour picture (RGBA, 8 bits each) by the weights of Rec. 709. */
export function greyOf(rgba: Uint8ClampedArray, widthPx: number, heightPx: number): GreyPicture {
  const shades = new Uint8Array(widthPx * heightPx);
  for (let i = 0, at = 0; i < shades.length; i++, at += 4)
    shades[i] =
      (54 * (rgba[at] as number) + 183 * (rgba[at + 1] as number) + 19 * (rgba[at + 2] as number)) >> 8;
  return { widthPx, heightPx, shades };
}

/** Light of each encoded shade, by the transfer function of sRGB (IEC 61966-2-1). */
const lightOfShade = Float32Array.from({ length: 256 }, (_, shade) => {
  const encoded = shade / 255;
  return encoded <= 0.04045 ? encoded / 12.92 : ((encoded + 0.055) / 1.055) ** 2.4;
});

/** A picture shrunk by a whole number, each of its points the mean light of a block. */
export function shrunk({ widthPx, heightPx, shades }: GreyPicture, by: number): LightPicture {
  const width = Math.floor(widthPx / by);
  const height = Math.floor(heightPx / by);
  const light = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    for (let yy = 0; yy < by; yy++) {
      let at = (y * by + yy) * widthPx;
      for (let x = 0; x < width; x++) {
        let sum = 0;
        for (let xx = 0; xx < by; xx++) sum += lightOfShade[shades[at++] as number] as number;
        light[row + x] = (light[row + x] as number) + sum;
      }
    }
  }
  const share = 1 / (by * by);
  for (let i = 0; i < light.length; i++) light[i] = (light[i] as number) * share;
  return { widthPx: width, heightPx: height, light };
}

/** A picture in light, shrunk by two. */
export function halfAsLarge({ widthPx, heightPx, light }: LightPicture): LightPicture {
  const width = widthPx >> 1;
  const height = heightPx >> 1;
  const half = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    let at = 2 * y * widthPx;
    for (let x = 0; x < width; x++, at += 2)
      half[y * width + x] =
        0.25 *
        ((light[at] as number) +
          (light[at + 1] as number) +
          (light[at + widthPx] as number) +
          (light[at + widthPx + 1] as number));
  }
  return { widthPx: width, heightPx: height, light: half };
}

/** Light of each shade in whole steps, so that four of them are added up quickly, and the shade of each sum. */
const LIGHT_STEPS = 16_383;
const stepsOfShade = Uint16Array.from(lightOfShade, (light) => Math.round(LIGHT_STEPS * light));
const shadeOfFour = Uint8Array.from({ length: 4 * LIGHT_STEPS + 1 }, (_, sum) => {
  const light = sum / (4 * LIGHT_STEPS);
  const encoded = light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055;
  return Math.round(255 * encoded);
});

/** A picture of half the size, each of its points as light as the four that it stands for. */
export function halved({ widthPx, heightPx, shades }: GreyPicture): GreyPicture {
  const width = widthPx >> 1;
  const height = heightPx >> 1;
  const small = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    let at = 2 * y * widthPx;
    for (let x = 0; x < width; x++, at += 2) {
      const sum =
        (stepsOfShade[shades[at] as number] as number) +
        (stepsOfShade[shades[at + 1] as number] as number) +
        (stepsOfShade[shades[at + widthPx] as number] as number) +
        (stepsOfShade[shades[at + widthPx + 1] as number] as number);
      small[y * width + x] = shadeOfFour[sum] as number;
    }
  }
  return { widthPx: width, heightPx: height, shades: small };
}

/** Light at a place between the points, by bilinear interpolation; the border goes on outwards. */
export function lightAt({ widthPx, heightPx, shades }: GreyPicture, x: number, y: number): number {
  const left = Math.min(Math.max(Math.floor(x), 0), widthPx - 2);
  const top = Math.min(Math.max(Math.floor(y), 0), heightPx - 2);
  const across = Math.min(Math.max(x - left, 0), 1);
  const down = Math.min(Math.max(y - top, 0), 1);
  const at = top * widthPx + left;
  const upper =
    (lightOfShade[shades[at] as number] as number) * (1 - across) +
    (lightOfShade[shades[at + 1] as number] as number) * across;
  const lower =
    (lightOfShade[shades[at + widthPx] as number] as number) * (1 - across) +
    (lightOfShade[shades[at + widthPx + 1] as number] as number) * across;
  return upper * (1 - down) + lower * down;
}
