/** The error catalogue: every code the API can answer with, its status and its words. Codes are a contract. */
export const problemCatalogue = {
  'bad-json': { status: 400, title: 'The body is not valid JSON.' },
  'bad-request': { status: 400, title: 'The request cannot be read.' },
  'host-not-allowed': {
    status: 421,
    title: 'This server does not answer under that name. Name it in MARGIN_HOSTS to allow it.',
  },
  'origin-not-allowed': { status: 403, title: 'A page of another origin may not use this server.' },
  'sign-in': { status: 401, title: 'Sign in first: this shop lets in only devices it knows.' },
  'device-removed': {
    status: 401,
    title: 'This device was removed from the shop: what it kept of the shop is cleared.',
  },
  'wrong-passphrase': { status: 403, title: 'That is not the passphrase.' },
  'no-passphrase': {
    status: 409,
    title: 'No passphrase has been set yet: set it at the computer itself with "npm run passphrase".',
  },
  'door-waits': {
    status: 429,
    title: 'Too many wrong tries from this device: wait, and try again.',
  },
  'door-busy': { status: 503, title: 'Too many sign in at this moment: try again in a few seconds.' },
  'nobody-waits': { status: 404, title: 'No device shows these digits: they count for five minutes.' },
  'device-not-found': { status: 404, title: 'There is no such device.' },
  'page-newer': {
    status: 409,
    title: 'This page is of a newer Margin than the server: bring the server up to date. Nothing is lost.',
  },
  'settings-changed': { status: 409, title: 'The settings were changed by somebody else meanwhile.' },
  'not-found': { status: 404, title: 'There is nothing here.' },
  'machine-not-found': { status: 404, title: 'There is no such machine.' },
  'photo-not-found': { status: 404, title: 'There is no such picture.' },
  'sheet-not-found': { status: 404, title: 'There is no such link.' },
  'no-public-url': {
    status: 409,
    title: 'No links are given out: the server does not know under what address customers come.',
  },
  'spring-not-found': { status: 404, title: 'There is no such spring on the rack.' },
  'spring-changed': { status: 409, title: 'This spring was changed by somebody else meanwhile.' },
  'rack-full': { status: 409, title: 'The rack holds no more springs: remove some first.' },
  'kit-not-found': { status: 404, title: 'There is no such kit.' },
  'kit-changed': { status: 409, title: 'This kit was changed by somebody else meanwhile.' },
  'kits-full': { status: 409, title: 'No more kits can be kept: delete some first.' },
  'practice-not-found': { status: 404, title: 'There is no such practice.' },
  'challenge-not-found': { status: 404, title: 'There is no such challenge.' },
  'practice-ended': { status: 409, title: 'This try has ended: set the machine up again to go on.' },
  'practice-opened': { status: 409, title: 'The truth of this machine is open: draw another one.' },
  'not-to-give-on': { status: 409, title: 'Only a machine that was drawn can be given on.' },
  'not-for-practice': {
    status: 409,
    title:
      'This job cannot be copied to practice yet: read a height and give a target at every corner first.',
  },
  'job-not-found': { status: 404, title: 'There is no such job.' },
  'method-not-allowed': { status: 405, title: 'This address does not take that method.' },
  conflict: { status: 409, title: 'The same thing was changed by somebody else meanwhile.' },
  'job-exists': { status: 409, title: 'Another job has this id.' },
  'too-large': { status: 413, title: 'The body is too large.' },
  'not-json': { status: 415, title: 'The body must be sent as application/json.' },
  'not-a-picture': {
    status: 422,
    title: 'That is not a picture that can be read: send a JPEG, PNG or WebP.',
  },
  'enough-photos': { status: 409, title: 'This corner has all the pictures it can hold: remove one first.' },
  invalid: { status: 422, title: 'Some values are wrong. Each is listed with what would be right.' },
  'too-many': { status: 429, title: 'Too many requests. Wait a minute and send again.' },
  internal: {
    status: 500,
    title: 'Something went wrong on the server. What you sent was not kept; send it again.',
  },
  unavailable: {
    status: 503,
    title: 'The database cannot be used at the moment. What you sent was not kept.',
  },
} as const;

export type ProblemCode = keyof typeof problemCatalogue;

/** One thing that is wrong, with a JSON pointer into the body. What was sent is never echoed. */
export interface ProblemDetail {
  pointer: string;
  detail: string;
}

/** RFC 9457 problem details, with our code and what else a code carries. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  code: ProblemCode;
  errors?: ProblemDetail[];
  /** Code `conflict`: what met what. */
  conflict?: unknown;
}

/** Builds the body for a code. */
export function problemOf(code: ProblemCode, more: Pick<Problem, 'errors' | 'conflict'> = {}): Problem {
  const { status, title } = problemCatalogue[code];
  return { type: `/problems/${code}`, title, status, code, ...more };
}
