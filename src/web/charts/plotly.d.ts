declare module 'plotly.js-basic-dist-min' {
  /** What Plotly makes of the element it draws in. */
  export interface PlotlyHTMLElement extends HTMLElement {
    on(
      event: 'plotly_click',
      then: (event: { points: { curveNumber: number; pointNumber: number }[] }) => void,
    ): void;
  }
  const Plotly: {
    react(node: HTMLElement, data: object[], layout: object, config: object): Promise<void>;
    purge(node: HTMLElement): void;
  };
  export default Plotly;
}
