/** What this screen says: how a device comes to trust the server. */
export const say = {
  trustThisServer: "Trust this server on this device",
  whyItWarns:
    "This server belongs to your practice. A browser that does not have its certificate warns you. Install the certificate once on each device.",
  downloadCertificate: "Download the certificate",
  steps: [
    "Open the file. On a phone or tablet the settings for security or certificates ask whether to install it as a certificate authority; on a computer import it there among the authorities.",
    "Some devices also want you to switch it on in the list of trusted certificates.",
    "Close the browser and open this address again. It no longer warns you.",
  ],
  withoutIt:
    "Without the certificate a device can fill in an intake once you have accepted the warning. The table does not work offline on it: browsers allow that only on a connection they trust.",
  howFarItGoes: "The certificate works for addresses of a private network only.",
};
