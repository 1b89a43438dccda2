require("reflect-metadata");
