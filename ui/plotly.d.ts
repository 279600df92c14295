declare module 'plotly.js-cartesian-dist-min' {
  const Plotly: typeof import('plotly.js');
  export default Plotly;
}
