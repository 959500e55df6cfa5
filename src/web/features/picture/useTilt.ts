import { useEffect, useState } from 'react';
import type { Level } from '#core/vision/camera.ts';
import { levelOf } from './tilt.ts';

/** Some tablets ask before they tell how they are held. */
interface Asking {
  requestPermission?: () => Promise<'granted' | 'denied'>;
}

/** Asks whether this page may know how the tablet is held; has to follow a press. */
export async function askForTilt(): Promise<void> {
  const { requestPermission } = globalThis.DeviceOrientationEvent as unknown as Asking;
  await requestPermission?.().catch(() => 'denied');
}

/** How the tablet is held now; null while it does not say. */
export function useTilt(): Level | null {
  const [level, setLevel] = useState<Level | null>(null);
  useEffect(() => {
    const hear = ({ beta, gamma }: DeviceOrientationEvent) =>
      setLevel(beta === null || gamma === null ? null : levelOf(beta, gamma, screen.orientation.angle));
    addEventListener('deviceorientation', hear);
    return () => removeEventListener('deviceorientation', hear);
  }, []);
  return level;
}
