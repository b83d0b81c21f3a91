// Here: the generic cables, device types, mounts and brackets that a new project starts with, and their conductor maps.
// Not here: a firm's own library (the server keeps it) and reading one from a file (library-files).
// Start with `DEVICE_TYPES`.
export { CABLE_TYPES } from './cables.ts';
export { CONDUCTOR_MAPS, FAMILY_ENDS, stereoLines } from './conductor-maps.ts';
export { isSameKind } from './same-kind.ts';
export { TYPE_DEFAULTS } from './define.ts';
export { DEVICE_TYPES } from './device-types.ts';
export { copyType } from './copy-type.ts';
