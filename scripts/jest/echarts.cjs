/** The chart library as one file that needs no transforming; all its parts are registered in it. */
module.exports = { ...require("echarts"), use: () => undefined };
