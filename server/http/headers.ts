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
