import { firstSettings } from "@/core";

console.log(JSON.stringify({ settings: firstSettings }));
