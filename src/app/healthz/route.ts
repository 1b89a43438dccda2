import { databaseAnswers } from "@/server/database";

/** Tells the application from its database: 200 when both are well, 503 when the database is away. */
export async function GET(): Promise<Response> {
  const database = await databaseAnswers();
  return Response.json(
    { application: "up", database: database ? "up" : "away" },
    { status: database ? 200 : 503, headers: { "cache-control": "no-store" } },
  );
}
