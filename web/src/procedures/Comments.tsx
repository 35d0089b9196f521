import { Textarea } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { memo, useState } from "react";
import { api, message, type Schemas, unwrap } from "../api/client";
import { say } from "../shared/say";
import { useClock } from "../shared/session";

type Props = { row: Schemas["ProcedureRow"]; stepId: string };

/** What was said of this step; it stays with the version. */
export const Comments = memo(function Comments({ row, stepId }: Props) {
  const clock = useClock();
  const queries = useQueryClient();
  const [text, setText] = useState("");
  const path = { id: row.id, version: row.version };
  const key = ["comments", row.id, row.version];
  const said = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/procedures/{id}/versions/{version}/comments", { params: { path } })),
  });
  const post = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/api/procedures/{id}/versions/{version}/comments", {
          params: { path },
          body: { stepId, text },
        }),
      ),
    onSuccess: (all) => {
      setText("");
      queries.setQueryData(key, all);
    },
  });
  const here = (said.data ?? []).filter((c) => c.stepId === stepId);
  return (
    <section
      className="comments"
      aria-label={say("procedures.comments.comments-on-this-step", "Comments on this step")}
    >
      <h2>{say("procedures.comments.comments", "Comments")}</h2>
      <ul>
        {here.map((c) => (
          <li key={`${c.at}-${c.text}`}>
            <b>{c.who}</b>{" "}
            <span className="quiet">
              {clock.day(c.at)} {clock.time(c.at)}
            </span>
            <p>{c.text}</p>
          </li>
        ))}
      </ul>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          post.mutate();
        }}
      >
        <Textarea
          label={say("procedures.comments.comment-on-this-step", "Comment on this step")}
          autosize
          minRows={1}
          maxLength={1000}
          value={text}
          onChange={(e) => setText(e.currentTarget.value)}
        />
        {(post.isError || said.isError) && <p className="note stop">{message(post.error ?? said.error)}</p>}
        <button className="btn small" type="submit" disabled={text.trim() === "" || post.isPending}>
          {say("procedures.comments.post-comment", "Post comment")}
        </button>
      </form>
    </section>
  );
});
