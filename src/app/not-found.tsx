"use client";

import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import Link from "next/link";

export default function NotFound() {
  return (
    <Box sx={{ maxWidth: 560, mx: "auto", p: 4 }}>
      <Typography variant="h1">Page not found</Typography>
      <Typography sx={{ my: 2 }}>The address may be mistyped, or what it pointed to has been deleted.</Typography>
      <Button variant="contained" component={Link} href="/">
        To your own page
      </Button>
    </Box>
  );
}
