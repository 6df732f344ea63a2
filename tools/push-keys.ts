// npm run push-keys: makes the two keys by which push services know this installation. For the person who runs the server.
import webpush from 'web-push';

const { publicKey, privateKey } = webpush.generateVAPIDKeys();
process.stdout.write(`GROVAL_PUSH_KEYS=${publicKey}.${privateKey}

Keep it as you keep GROVAL_AUTH_SECRET. With another one every device must be given again. Name the push services that
your people's browsers use in GROVAL_PUSH_HOSTS; a browser whose service is not among them is told its name.
`);
