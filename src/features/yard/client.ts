export { FieldCourses } from "./field-courses";
