/**
 * Changes the query in the address of a page, as long as it is the page that is shown; false where it is not any more. Not by
 * the router: that would call back whoever is on the way to another page.
 */
export function replaceQuery(pathname: string, change: (query: URLSearchParams) => void): boolean {
  if (window.location.pathname !== pathname) return false;
  const query = new URLSearchParams(window.location.search);
  change(query);
  const text = query.toString();
  window.history.replaceState(window.history.state, '', text ? `${pathname}?${text}` : pathname);
  return true;
}
