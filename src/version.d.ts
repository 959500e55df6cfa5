/// <reference types="vite-plugin-pwa/client" />

/** The version of the package, put in while building. */
declare const MARGIN_VERSION: string;
