/** @param scripts  hashes of the scripts in a page itself */
export const contentPolicy = (scripts: readonly string[] = []): string =>
  [
    "default-src 'self'",
    // The solver is compiled in a worker, which is bound by the policy its own file came with.
    ["script-src 'self' 'wasm-unsafe-eval'", ...scripts].join(' '),
    "style-src 'self'",
    "img-src 'self' data: blob:",
    "worker-src 'self'",
    "object-src 'none'",
    "frame-ancestors 'none'",
    "base-uri 'none'",
    "form-action 'self'",
  ].join('; ')

/** Said with everything that is sent. */
export const HEADERS: Readonly<Record<string, string>> = {
  'content-security-policy': contentPolicy(),
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'permissions-policy': 'camera=(), microphone=(), geolocation=(), payment=(), usb=()',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
}

/** Where the files of workers lie among those of the build. */
export const WORKERS = 'workers'
const OF_DOCUMENTS = Object.keys(HEADERS).filter(name => name !== 'x-content-type-options' && name !== 'cross-origin-resource-policy')

/**
 * What is said for nothing with a file: a script, a style or a face of the build is no page and no worker, and a page asks for twenty.
 * @example uselessFor('/_nuxt/entry.css') // ['content-security-policy', …]
 */
export const uselessFor = (path: string): readonly string[] => (/^\/_nuxt\/[^/]+\.(?:js|css|woff2)$/.test(path) ? OF_DOCUMENTS : [])
