/** What is read from and written to files of open formats. */
export {
  INTAKE_FIELDS,
  dateOrder,
  guessColumns,
  readDate,
  readIntake,
  type Intake,
  type IntakeColumns,
  type IntakeDog,
  type IntakeField,
  type IntakeLine,
  type IntakeVisit,
  type KnownDog,
} from './intake.ts';
export { bareJpeg, type Jpeg, type JpegFault } from './jpeg.ts';
