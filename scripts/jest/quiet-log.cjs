/** The server's log is no part of what tests print. */
beforeAll(() => {
  jest.spyOn(console, "log").mockImplementation(() => {});
});
