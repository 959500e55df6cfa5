/** The schema of job files, compiled while the command is built. */
declare module 'virtual:check-job-file' {
  import type { ValidateFunction } from 'ajv/dist/2020.js';

  const check: ValidateFunction;
  export default check;
}
