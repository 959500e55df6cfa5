declare module 'plotly.js-basic-dist-min' {
  interface Plotly {
    react: (node: HTMLElement, data: object[], layout: object, config: object) => Promise<void>;
    purge: (node: HTMLElement) => void;
  }
  const plotly: Plotly;
  export default plotly;
}
