/**
 * For every server here. A connection with nothing on it is kept (ms) for longer than proxies and browsers keep one: who closes it first
 * never finds it closed while asking.
 */
export const KEEP_OPEN = { keepAliveTimeout: 75_000 };
