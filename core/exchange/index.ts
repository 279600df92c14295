export {
  READING_COLUMNS,
  readingsFromCsv,
  readingsToCsv,
  type ImportDefaults,
  type ReadingImport,
  type RejectedRow,
} from './readings-csv';
export { blankDxf, dxfOf, scribeDxf } from './dxf';
export { svgOf, type SvgDrawing } from './svg';
export { nestedSheetDxf } from './nested-sheet';
export { cutListCsv } from './cut-list';
export { bundleJsonSchema, printBundleSchema, printWorkMeasures } from './bundle-schema';
export { parseBundle, printBundle, type JobBundle } from './bundle';
export type { Problem } from './problem';
export { printScaleTicket, readScaleTicket } from './scale-ticket';
export {
  columnMapSchema,
  CSV_FIELDS,
  guessColumns,
  missingFields,
  peekCsv,
  WANTED_FIELDS,
  type ColumnMap,
  type CsvField,
  type CsvPeek,
} from './csv-columns';
export { isZip, printBundleZip, readBundleZip, type BundleZip } from './bundle-zip';
export { parsePassportCode, printPassportCode, recordText, type PassportCode } from './passport';
export { calendarText, type CalendarJob, type CalendarLook } from './calendar';
