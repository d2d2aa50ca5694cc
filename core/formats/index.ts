/** Decides what is read from and written to files of open formats. */
export { bareJpeg, type Jpeg, type JpegFault } from './jpeg.ts';
