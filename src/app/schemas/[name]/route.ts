import { lineSchema, pilotRecordSchema, setupSchema, syllabusSchema, variantSchema } from "@/server/files";

const schemas: Readonly<Record<string, object>> = {
  "line.json": lineSchema,
  "pilot-record.json": pilotRecordSchema,
  "setup.json": setupSchema,
  "syllabus.json": syllabusSchema,
  "trick-variant.json": variantSchema,
};

/** The published schemas of the files that go in and out. Open to anybody. */
export async function GET(_: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params;
  if (!Object.hasOwn(schemas, name)) return new Response("There is no such schema.\n", { status: 404 });
  return Response.json(schemas[name], { headers: { "content-type": "application/schema+json; charset=utf-8" } });
}
