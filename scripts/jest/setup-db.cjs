require("reflect-metadata");

// Each worker has a database of its own on the throw-away server.
process.env.BATHYGON_DB_NAME = `bathygon_jest_${process.env.JEST_WORKER_ID}`;
