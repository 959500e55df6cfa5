/**
 * For every server here: how long a connection with nothing on it is kept, ms. Proxies and browsers close one sooner, so that the server
 * never closes it just as something is asked.
 */
export const KEEP_OPEN = { keepAliveTimeout: 75_000 };
