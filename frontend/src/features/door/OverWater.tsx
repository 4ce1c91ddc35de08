import type { ReactNode } from "react";
import { useTheme } from "../../ui/useTheme";
import { Wordmark } from "../../ui/Wordmark";
import { Seascape } from "./Seascape";

/** A card over the water: whatever somebody sees who is not inside yet. */
export function OverWater({ title, wide, children }: { title: string; wide?: boolean; children: ReactNode }) {
  useTheme();
  return (
    <main className="relative flex min-h-dvh flex-col items-center justify-center px-4 py-8">
      <Seascape />
      <div
        className={`relative w-full rounded-box bg-base-100 px-6 py-8 shadow-xl sm:px-9 ${
          wide ? "max-w-[56rem]" : "max-w-[28rem]"
        }`}
      >
        <Wordmark />
        <h1 className="mt-5 text-3xl">{title}</h1>
        {children}
      </div>
    </main>
  );
}
