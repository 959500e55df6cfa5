import { randomUUID } from 'node:crypto';
import sanitizeHtml from 'sanitize-html';
import type { GiveSheet, GivenSheet, SheetLink } from '#contract/api.ts';
import type { Database } from '#db/connect.ts';
import { addSheet, type Sheet } from '#db/sheets.ts';
import { ProblemError } from '../http/problem.ts';
import { hashOfSecret, newSecret } from '../shop/secrets.ts';
import { readRecord } from './records.ts';

const DAY_MS = 86_400_000;

export const asGiven = ({ createdAt, expiresAt, ...sheet }: Sheet): GivenSheet => ({
  ...sheet,
  createdAt: createdAt.toISOString(),
  expiresAt: expiresAt.toISOString(),
});

/** Keeps a sheet as it stands under a secret of its own. Throws `job-not-found`, or `no-public-url`. */
export async function giveSheet(
  db: Database,
  publicUrl: string | null,
  { jobId, title, html, css, days }: GiveSheet,
): Promise<SheetLink> {
  if (!publicUrl) throw new ProblemError('no-public-url');
  const { id: job } = await readRecord(db, jobId.toLowerCase());
  const secret = newSecret();
  const now = Date.now();
  const sheet = {
    id: randomUUID(),
    jobId: job,
    title,
    createdAt: new Date(now),
    expiresAt: new Date(now + days * DAY_MS),
  };
  await addSheet(db, { ...sheet, secretHash: hashOfSecret(secret), page: pageOf(title, html, css) });
  return { ...asGiven(sheet), address: `${publicUrl}/s/${secret}` };
}

/** What a sheet is made of. No links, no fields, nothing that runs or is fetched. */
// oxfmt-ignore
const TAGS = [
  'main', 'article', 'section', 'header', 'footer', 'div', 'span', 'p', 'b', 'strong', 'i', 'em', 'small', 'sub',
  'sup', 'br', 'hr', 'h1', 'h2', 'h3', 'h4', 'ul', 'ol', 'li', 'dl', 'dt', 'dd', 'table', 'caption', 'thead',
  'tbody', 'tfoot', 'tr', 'th', 'td', 'figure', 'figcaption', 'img', 'svg', 'g', 'path', 'line', 'polyline',
  'polygon', 'circle', 'ellipse', 'rect', 'text', 'tspan', 'title', 'defs', 'clipPath', 'use', 'pattern',
  'marker', 'mask',
];

// oxfmt-ignore
const SHAPE = [
  'viewBox', 'preserveAspectRatio', 'width', 'height', 'x', 'y', 'x1', 'y1', 'x2', 'y2', 'cx', 'cy', 'r', 'rx',
  'ry', 'd', 'points', 'transform', 'fill', 'fill-opacity', 'fill-rule', 'stroke', 'stroke-width', 'stroke-dasharray', 'stroke-linecap', 'stroke-linejoin', 'stroke-opacity', 'stroke-miterlimit', 'opacity', 'clip-path',
  'clip-rule', 'text-anchor', 'dominant-baseline', 'dx', 'dy', 'font-size', 'font-weight', 'font-family', 'letter-spacing', 'marker-start', 'marker-end', 'markerWidth', 'markerHeight', 'markerUnits', 'refX', 'refY', 'orient',
  'pattern', 'patternUnits', 'patternTransform', 'vector-effect',
];

/** A page of its own out of what somebody sent: cleaned, with its looks in it. */
function pageOf(title: string, html: string, css: string): string {
  const body = sanitizeHtml(html, {
    allowedTags: TAGS,
    allowedAttributes: {
      '*': ['class', 'style', 'id', 'role', 'aria-*', 'colspan', 'rowspan', 'scope', ...SHAPE],
      img: ['src', 'alt', 'width', 'height'],
      use: ['href'],
    },
    allowedSchemes: [],
    allowedSchemesByTag: { img: ['data'] },
    allowProtocolRelative: false,
    disallowedTagsMode: 'discard',
    // Drawings tell large letters from small ones.
    parser: { lowerCaseTags: false, lowerCaseAttributeNames: false },
    // The page fetches nothing, whatever its looks say.
    parseStyleAttributes: false,
  });
  // Only this could end them early.
  const looks = css.replaceAll('</', '< /');
  return [
    '<!doctype html>',
    '<html lang="en">',
    '<meta charset="utf-8">',
    '<meta name="viewport" content="width=device-width, initial-scale=1">',
    '<meta name="robots" content="noindex">',
    `<title>${escaped(title)}</title>`,
    `<style>${looks}</style>`,
    `<body>${body}</body>`,
    '</html>',
    '',
  ].join('\n');
}

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
