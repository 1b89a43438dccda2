import { Notice } from "@/ui/layout/notice";

export default function Forbidden() {
  return (
    <Notice heading="You don’t have access to this page">
      <p>This belongs to someone else. If you should see it, ask an owner of the squad to share it with you.</p>
      {/* Loaded anew: whatever was kept of pages may be what is not to be seen. */}
      <a href="/">To your own page</a>
    </Notice>
  );
}
