import { createECDH } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { decrypt } from './push-service';

// Source: RFC 8291, 5 and appendix A, from memory: a value remembered wrongly would not decrypt.
const RFC_8291 = {
  plain: 'When I grow up, I want to be a watermelon',
  auth: 'BTBZMqHH6r4Tts7J_aSIgg',
  receiverPrivate: 'q1dXpw3UpT5VOmu_cf_v6ih07Aems3njxI-JWgLcM94',
  receiverPublic: 'BCVxsr7N_eNgVRqvHtD0zTZsEc6-VV-JvLexhqUzORcxaOzi6-AYWXvTBHm4bjyPjs7Vd8pZGH6SRpkNtoIAiw4',
  body: 'DGv6ra1nlYgDCS1FRnbzlwAAEABBBP4z9KsN6nGRTbVYI_c7VJSPQTBtkgcy27mlmlMoZIIgDll6e3vCYLocInmYWAmS6TlzAC8wEqKK6PBru3jl7A_yl95bQpu6cVPTpK4Mqgkf1CXztLVBSt2Ks3oZwbuwXPXLWyouBWLVWGNWQexSgSxsj_Qulcy4a-fN',
};
const bytes = (text: string) => Buffer.from(text, 'base64url');
const receiver = () => {
  const ecdh = createECDH('prime256v1');
  ecdh.setPrivateKey(bytes(RFC_8291.receiverPrivate));
  return { ecdh, auth: bytes(RFC_8291.auth) };
};

describe('the stand-in for a browser', () => {
  it('decrypts the published example', () => {
    expect(receiver().ecdh.getPublicKey().toString('base64url')).toBe(RFC_8291.receiverPublic);
    expect(decrypt(bytes(RFC_8291.body), receiver())).toBe(RFC_8291.plain);
  });
  it('refuses what was changed on its way, and what is for another', () => {
    const changed = bytes(RFC_8291.body);
    changed[100] = (changed[100] ?? 0) ^ 1;
    expect(() => decrypt(changed, receiver())).toThrow();
    const other = createECDH('prime256v1');
    other.generateKeys();
    expect(() => decrypt(bytes(RFC_8291.body), { ...receiver(), ecdh: other })).toThrow();
  });
});
