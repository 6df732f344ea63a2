/** Addresses of the demo's people end like this; `.example` is reserved and reaches nobody. */
export const DEMO_ADDRESS_END = '@ternbay.example';
