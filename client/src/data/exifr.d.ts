// The small build of exifr has the types of the large one.
declare module 'exifr/dist/mini.umd.js' {
  import exifr from 'exifr';
  export default exifr;
}
