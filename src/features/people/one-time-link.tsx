"use client";

import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { TextField } from "@/ui/forms/text-field";
import { Box } from "@/ui/layout/box";
import { later } from "@/ui/loading/later";
import { useState } from "react";

const QRCodeSVG = later(() => import("qrcode.react").then((code) => code.QRCodeSVG));

/** A link that works once, as text and as a code for a phone's camera. The secret stands behind the #, which browsers keep to themselves. */
export function OneTimeLink({ token }: { token: string }) {
  const [copied, setCopied] = useState(false);
  const address = `${location.origin}/join#${token}`;
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "200px 1fr" }, gap: 3, alignItems: "start" }}>
      <Box sx={{ bgcolor: "#fff", p: 1.5, width: 200 }}>
        <QRCodeSVG value={address} size={176} title="The link as a code for a camera" />
      </Box>
      <Box sx={{ display: "grid", gap: 1.5 }}>
        <TextField
          label="The link"
          value={address}
          multiline
          size="small"
          slotProps={{
            htmlInput: {
              readOnly: true,
              onFocus: (event: React.FocusEvent<HTMLInputElement>) => event.target.select(),
            },
          }}
        />
        <Button
          variant="contained"
          sx={{ justifySelf: "start" }}
          onClick={async () => {
            // Browsers give the clipboard only to pages over TLS or of this very machine; elsewhere the field is there to copy from.
            await navigator.clipboard?.writeText(address).then(
              () => setCopied(true),
              () => setCopied(false),
            );
          }}
        >
          {copied ? "Copied" : "Copy it"}
        </Button>
        <Typography sx={{ fontSize: "0.9rem" }}>
          It works once, within 7 days, for the first person who opens it. Hand it over in person or by a way you trust.
          It is shown only now; if it goes astray, withdraw it and make another.
        </Typography>
      </Box>
    </Box>
  );
}
