import { download } from '../ui/download.ts';
const TONES = ['ground', 'sheet', 'ink', 'second', 'rule', 'action', 'wash', 'tight', 'short'];

/** Saves a drawing as a file of its own: colours written out, nothing that only the page knows. PNG at twice its size. */
export async function saveDrawing(drawing: SVGSVGElement, kind: 'svg' | 'png', name: string): Promise<void> {
  const { width, height } = drawing.getBoundingClientRect();
  const text = standAlone(drawing, width, height);
  const file = `${name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'section'}.${kind}`;
  if (kind === 'svg') return download(new Blob([text], { type: 'image/svg+xml' }), file);
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [2 * width, 2 * height];
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
  if (blob) download(blob, file);
}

function standAlone(drawing: SVGSVGElement, width: number, height: number): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const style = getComputedStyle(document.documentElement);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  const [x, y, w, h] = (copy.getAttribute('viewBox') ?? '0 0 100 100').split(' ');
  for (const [key, value] of Object.entries({ x, y, width: w, height: h, fill: 'var(--sheet)' }))
    paper.setAttribute(key, value ?? '0');
  copy.prepend(paper);
  return TONES.reduce(
    (text, tone) => text.replaceAll(`var(--${tone})`, style.getPropertyValue(`--${tone}`).trim()),
    new XMLSerializer().serializeToString(copy),
  );
}
