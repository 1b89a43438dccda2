require("reflect-metadata");
require("@testing-library/jest-dom");
