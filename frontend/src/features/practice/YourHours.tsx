import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, body, type Hours, type HoursView } from "../../api/client";
import { hoursQuery } from "../../api/practiceQueries";
import { say } from "../../phrases/screens/practice/hours";
import { shared } from "../../phrases/screens/shared";
import { hourInWords } from "../../phrases/time";
import { Button } from "../../ui/Button";
import { OpenWord } from "../../ui/OpenWord";
import { ProblemNote } from "../../ui/ProblemNote";
import { Section } from "../../ui/Section";
import { DaysPanel, GapPanel, LunchPanel, TimePanel } from "./hourPanels";

/** When one works: a sentence that is changed in place. */
export function YourHours() {
  const queries = useQueryClient();
  const told = useQuery(hoursQuery);
  const [before, setBefore] = useState<Hours>();
  const [asked, setAsked] = useState("");
  const changing = useMutation({
    mutationFn: (hours: Hours) => body<HoursView>(api.PUT("/api/house/hours", { body: hours })),
    onSuccess: (now) => {
      queries.setQueryData(hoursQuery.queryKey, now);
      for (const key of ["day", "first steps"]) queries.invalidateQueries({ queryKey: [key] });
    },
  });
  if (told.error) return <ProblemNote error={told.error} onAgain={() => told.refetch()} />;
  if (!told.data) return null;
  const { hours, said } = told.data;
  const word = (
    about: string,
    words: string,
    panel: (take: (change: Partial<Hours>) => void) => React.ReactNode,
  ) => (
    <OpenWord
      about={about}
      panel={(close) => (
        <>
          {panel((change) => {
            setAsked(about);
            const keepBefore = () => {
              setBefore(hours);
              close();
            };
            changing.mutate({ ...hours, ...change }, { onSuccess: keepBefore });
          })}
          {changing.error && asked === about && <ProblemNote error={changing.error} />}
        </>
      )}
    >
      {words}
    </OpenWord>
  );
  return (
    <Section anchor="hours" title={shared.yourHours} intro={say.whatHoursDo}>
      <p className="mt-4 max-w-prose text-lg leading-loose">
        {"I work "}
        {word(say.workingDays, say.days(hours.days), (take) => (
          <DaysPanel days={hours.days} onTake={(days) => take({ days })} />
        ))}
        {say.myFirstStart}
        {word(say.firstStart, hourInWords(hours.first_start ?? ""), (take) => (
          <TimePanel
            label={say.firstStart}
            time={hours.first_start}
            onTake={(at) => take({ first_start: at })}
          />
        ))}
        {say.myLast}
        {word(say.lastStart, hourInWords(hours.last_start ?? ""), (take) => (
          <TimePanel
            label={say.lastStart}
            time={hours.last_start}
            onTake={(at) => take({ last_start: at })}
          />
        ))}
        , with{" "}
        {word(say.gap, `${hours.gap_minutes} min`, (take) => (
          <GapPanel minutes={hours.gap_minutes} onTake={(gap_minutes) => take({ gap_minutes })} />
        ))}
        {say.betweenTwo}
        {word("Lunch", say.lunch(hours.lunch), (take) => (
          <LunchPanel lunch={hours.lunch} onTake={(lunch) => take({ lunch })} />
        ))}
        .
      </p>
      {!said && (
        <p className="mt-1 text-quiet">
          {say.usualHours}{" "}
          <Button className="ml-2" disabled={changing.isPending} onClick={() => changing.mutate(hours)}>
            {say.keepHours}
          </Button>
        </p>
      )}
      {before && (
        <p role="status" className="flex items-center gap-2 text-quiet">
          {say.saved}
          <Button
            look="quiet"
            className="px-2 font-normal underline underline-offset-4"
            disabled={changing.isPending}
            onClick={() => changing.mutate(before, { onSuccess: () => setBefore(undefined) })}
          >
            Undo
          </Button>
        </p>
      )}
    </Section>
  );
}
