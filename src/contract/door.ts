import type { MachineClass } from '#core/kinds/classes/index.ts';
import type { SagWindow } from '#core/sag/sagWindows.ts';

/** What the page is told of the door: whether one has to sign in here, and who is in. */
export interface Door {
  /** Open: this computer alone, nobody signs in. Shop: only devices that were let in. */
  mode: 'open' | 'shop';
  /** This device, once it is in; null where it is not, and where nobody signs in. */
  device: DeviceLine | null;
  /** Whether the shop has a passphrase by now: without one nobody gets in. */
  ready: boolean;
}

/** One tablet or computer that is in. Times are ISO 8601. */
export interface DeviceLine {
  id: string;
  name: string;
  /** Who works with it; empty where nobody was chosen. */
  technician: string;
  by: 'passphrase' | 'digits' | 'code';
  createdAt: string;
  seenAt: string;
}

export interface Devices {
  devices: DeviceLine[];
}

/** POST /api/door/sign-in */
export interface SignIn {
  passphrase: string;
  /** What the device is called in the list. */
  name: string;
}

/** POST /api/door/knock */
export interface Knock {
  name: string;
}

/** What somebody at the door is told: digits to show, and a secret to ask with. */
export interface Knocked {
  digits: string;
  secret: string;
  /** For how long both count. */
  minutes: number;
}

/** POST /api/door/look. `name` is for those who came with a picture code. */
export interface Look {
  secret: string;
  name: string;
}

/** How it stands: still waiting, waited too long, or in. */
export type Looked = { state: 'waiting' } | { state: 'gone' } | { state: 'in'; door: Door };

/** POST /api/devices/find: who shows these digits. */
export interface FindKnock {
  digits: string;
}

export interface FoundKnock {
  handle: string;
  name: string;
  address: string;
  /** s since it came to the door. */
  sinceS: number;
}

/** POST /api/devices/let-in */
export interface LetIn {
  handle: string;
}

/** POST /api/devices/codes: a code for one device, as a link that also goes into a picture. */
export interface PictureCode {
  secret: string;
  minutes: number;
}

/** POST /api/devices/:id */
export interface ChangeDevice {
  name?: string;
  technician?: string;
}

/** What holds for the whole shop. `version` counts its changes. */
export interface ShopSettings {
  version: number;
  /** What stands at the head of sheets; empty: nothing. */
  shopName: string;
  /** Names to choose from, of those who work here. */
  technicians: string[];
  /** Instruments that the server passes on. */
  instruments: { id: string; name: string; address: string }[];
  /** Names the picture at GET /api/shop/logo, and changes with it; null where there is none. What is posted here does not count. */
  logo: string | null;
  /** mm. Within what heights are wanted on new jobs, by class; for those left out the usual is assumed. */
  tolerances: Partial<Record<MachineClass, number>>;
  /** Sag windows that the shop has made its own. */
  sagWindows: ShopSagWindow[];
}

/** A shop that has said nothing yet. What was kept before there was a setting lacks it, and takes it from here. */
export const noSettings: ShopSettings = {
  version: 0,
  shopName: '',
  technicians: [],
  instruments: [],
  logo: null,
  tolerances: {},
  sagWindows: [],
};

/** A sag window of the shop's own: mm at the wheel, for machines of these classes. */
export interface ShopSagWindow extends SagWindow {
  /** What the shop calls it. */
  title: string;
  on: MachineClass[];
}
