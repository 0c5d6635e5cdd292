/** The version of the computation, stored with every sign-off so that an old record can be told from a new one. */
export const CORE_VERSION = '3.5.0'
