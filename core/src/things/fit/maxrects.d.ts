/** The package’s own entry is not loadable as an ES module by Node; its .mjs build beside it is, and its types are in parts. */
declare module 'maxrects-packer/dist/maxrects-packer.mjs' {
  export { MaxRectsBin } from 'maxrects-packer/dist/maxrects-bin';
  export { Rectangle } from 'maxrects-packer/dist/geom/Rectangle';
}
