/** Where the jobs of the label printer are; printing changes them. */
export const PRINTER_JOBS = '/bridge/printer/jobs';
