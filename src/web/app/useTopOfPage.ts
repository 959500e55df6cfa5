import { useLayoutEffect, useRef } from 'react';
import { useLocation, useNavigationType } from 'react-router';

/** Another page begins at its top; on the way back the browser decides. */
export function useTopOfPage(): void {
  const { pathname } = useLocation();
  const how = useNavigationType();
  const before = useRef(pathname);
  // Before what the page itself scrolls to.
  useLayoutEffect(() => {
    if (pathname !== before.current && how !== 'POP') window.scrollTo(0, 0);
    before.current = pathname;
  }, [pathname, how]);
}
