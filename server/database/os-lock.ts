// @ts-expect-error: it brings no types
import native from 'fs-native-extensions'

/** Takes the operating system’s lock on an open file, for this process alone. @returns false where another holds it */
export const tryLock = (descriptor: number): boolean => (native as { tryLock: (descriptor: number) => boolean }).tryLock(descriptor)
