import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { VitePWA } from "vite-plugin-pwa";
import { defineConfig } from "vitest/config";

/**
 * Asked of the server while there is one, so that nobody works with yesterday's pages; without it, the pages that
 * came with the worker go on. A new worker takes over at once: a page already open has all it needs, since it brings in
 * every other page once it is drawn.
 */
const offline = VitePWA({
  injectRegister: false,
  includeManifestIcons: false,
  manifest: {
    name: "Mellow Tide",
    short_name: "Mellow Tide",
    description: "Plans, guides and remembers relaxation massage sessions.",
    display: "standalone",
    background_color: "#14100b",
    theme_color: "#0d3c47",
    icons: [
      { src: "/tide.svg", sizes: "any", type: "image/svg+xml" },
      { src: "/tide-192.png", sizes: "192x192", type: "image/png" },
      { src: "/tide-512.png", sizes: "512x512", type: "image/png" },
    ],
  },
  workbox: {
    globPatterns: ["**/*.{html,js,css,woff2,svg}"],
    navigateFallback: null,
    skipWaiting: true,
    clientsClaim: true,
    inlineWorkboxRuntime: true,
    runtimeCaching: [
      {
        urlPattern: ({ request }) => request.mode === "navigate",
        handler: "NetworkFirst",
        options: {
          networkTimeoutSeconds: 4,
          // Only the page that came with the worker stands in: one kept apart could ask for scripts that are gone.
          plugins: [
            {
              cacheWillUpdate: async () => null,
              cachedResponseWillBeUsed: () => caches.match("/index.html", { ignoreSearch: true }),
            },
          ],
        },
      },
    ],
  },
});

export default defineConfig({
  plugins: [react(), tailwindcss(), offline],
  server: { proxy: { "/api": "http://127.0.0.1:8420" } },
  build: {
    target: "es2022",
    // The first load is a few files: the first pages, libraries, and what many pages share.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: "libraries", test: /node_modules/ },
            { name: "shared", minShareCount: 4 },
          ],
        },
      },
    },
  },
  test: {
    environment: "node",
    pool: "threads",
    isolate: false,
    include: ["src/**/*.test.{ts,tsx}"],
    // One of them reads every file, and a busy machine takes its time.
    testTimeout: 60_000,
  },
});
