/** What this screen says: how a device comes to trust the server. */
export const say = {
  trustThisServer: "Trust this server on this device",
  whyItWarns:
    "This server belongs to your practice and vouches for itself, so a browser that does not know it warns you. Install its certificate once on each device.",
  downloadCertificate: "Download the certificate",
  steps: [
    "Open the file. On a phone or tablet the settings for security or certificates ask whether to install it as a certificate authority; on a computer import it there among the authorities.",
    "Some devices ask a second time, under the trusted certificates. Switch it on.",
    "Close the browser and open this address again. It warns no more.",
  ],
  withoutIt:
    "Without the certificate a device can fill in an intake once you have accepted the warning. The table does not work offline on it: browsers allow that only on a connection they trust.",
  howFarItGoes: "The certificate can vouch for addresses of a private network, and for nothing else.",
};
