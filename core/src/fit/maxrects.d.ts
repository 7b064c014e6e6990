/** The package’s own entry is not loadable as an ES module by Node; its .mjs build beside it is. */
declare module 'maxrects-packer/dist/maxrects-packer.mjs' {
  export * from 'maxrects-packer';
}
