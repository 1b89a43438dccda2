"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import Link from "next/link";

export default function Forbidden() {
  return (
    <Box sx={{ maxWidth: 560, mx: "auto", p: 4 }}>
      <Typography variant="h1">You don’t have access to this page</Typography>
      <Typography sx={{ my: 2 }}>
        This belongs to someone else. If you should see it, ask an owner of the squad to share it with you.
      </Typography>
      <Button variant="contained" component={Link} href="/">
        To your own page
      </Button>
    </Box>
  );
}
