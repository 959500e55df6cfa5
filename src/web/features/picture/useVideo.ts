import { useEffect, useRef, useState, type RefObject } from 'react';

/** As many points as the camera gives: the rim's edge is found below one of them. */
const WANTED: MediaTrackConstraints = {
  facingMode: { ideal: 'environment' },
  width: { ideal: 4096 },
  height: { ideal: 3072 },
};

interface Video {
  video: RefObject<HTMLVideoElement | null>;
  /** What the camera is called; null until it runs. */
  camera: string | null;
  failed: string | null;
}

/** The camera at the tablet's back, shown in a video as long as this stands on the page. */
export function useVideo(): Video {
  const video = useRef<HTMLVideoElement>(null);
  const [camera, setCamera] = useState<string | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let wanted = true;
    const start = async () => {
      try {
        stream = await navigator.mediaDevices.getUserMedia({ video: WANTED, audio: false });
        if (!wanted || !video.current) return stop();
        video.current.srcObject = stream;
        await video.current.play();
        setCamera(stream.getVideoTracks()[0]?.label ?? 'camera');
      } catch (error) {
        setFailed(whyNot(error));
      }
    };
    const stop = () => stream?.getTracks().forEach((track) => track.stop());
    void start();
    return () => {
      wanted = false;
      stop();
    };
  }, []);
  return { video, camera, failed };
}

function whyNot(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (name === 'NotAllowedError')
    return 'This page may not use the camera. Allow it in the browser, then try again.';
  if (name === 'NotFoundError' || name === 'OverconstrainedError') return 'No camera was found here.';
  // Browsers give no camera to pages that did not come over https.
  if (!isSecureContext) return 'The camera works over https or on the server’s own machine.';
  return 'The camera could not be started.';
}
