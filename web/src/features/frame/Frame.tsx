import {
  AppstoreOutlined,
  BellOutlined,
  CalendarOutlined,
  CheckOutlined,
  ControlOutlined,
  EditOutlined,
  FieldTimeOutlined,
  FileSearchOutlined,
  FileTextOutlined,
  InboxOutlined,
  MailOutlined,
  NotificationOutlined,
} from "@ant-design/icons";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Badge, Button, Dropdown } from "antd";
import { type ReactNode, useState } from "react";
import { NavLink, useNavigate } from "react-router";
import { api } from "../../api/client";
import { chooseScheme, chosenScheme, type SchemeChoice, useScheme } from "../../theme/scheme";
import { RunningWork } from "../../ui/RunningWork";
import { leaveSession } from "../access/leaveSession";
import { MySessions } from "../access/MySessions";
import { MySignIn } from "../access/MySignIn";
import { meOptions } from "../access/sessionQueries";
import { desksOptions, useDesk } from "../arrivals/deskQueries";
import { AsOfRibbon } from "../asof/AsOfRibbon";
import { useKeepingAsOf } from "../asof/asOf";
import { MyCalendars } from "../calendars/MyCalendars";
import { NoticesDrawer } from "../chasing/NoticesDrawer";
import { noticesOptions } from "../chasing/noticeQueries";
import { FindBox } from "../finding/FindBox";
import { waitingOptions } from "../today/todayQueries";
import { Uploads } from "../uploads/Uploads";
import { UploadTray } from "../uploads/UploadTray";
import { useStrayDrops } from "../uploads/useStrayDrops";

const LOOKS: { choice: SchemeChoice; label: string }[] = [
  { choice: "device", label: "as this device" },
  { choice: "light", label: "light" },
  { choice: "dark", label: "dark" },
];

/** Rail, top line, and the view between them. */
export function Frame({ children }: { children: ReactNode }) {
  useStrayDrops();
  return (
    <Uploads>
      <div className="frame">
        <Rail />
        <div className="frame-main">
          <TopLine />
          <AsOfRibbon />
          <main className="view">{children}</main>
        </div>
        <UploadTray />
      </div>
    </Uploads>
  );
}

function Rail() {
  const isAdministrator = useQuery(meOptions).data?.role === "ADMINISTRATOR";
  const keep = useKeepingAsOf();
  const counts = useQuery(waitingOptions).data;
  const waiting = counts?.arrivals ?? 0;
  const toSign = counts?.signatures ?? 0;
  return (
    <nav className="rail" aria-label="Places">
      <div className="rail-mark">
        <svg width="26" height="26" viewBox="0 0 32 32" role="img" aria-label="Den Fold">
          <title>Den Fold</title>
          <path d="M7 3h12l7 7v19H7z" fill="none" stroke="currentColor" strokeWidth="2.4" />
          <path d="M19 3v7h7" fill="none" stroke="var(--ochre-bright)" strokeWidth="2.4" />
        </svg>
      </div>
      <NavLink to="/today">
        <CalendarOutlined aria-hidden />
        Today
      </NavLink>
      <NavLink to={keep("/files")}>
        <FileTextOutlined aria-hidden />
        Files
      </NavLink>
      <NavLink to="/arrivals">
        <InboxOutlined aria-hidden />
        Arrivals
        {waiting > 0 && (
          <span className="rail-count">
            <span aria-hidden>{waiting}</span>
          </span>
        )}
      </NavLink>
      <NavLink to={keep("/coverage")}>
        <AppstoreOutlined aria-hidden />
        Coverage
      </NavLink>
      <NavLink to="/chasing">
        <NotificationOutlined aria-hidden />
        Chasing
      </NavLink>
      <NavLink to="/under-way">
        <FieldTimeOutlined aria-hidden />
        Under way
      </NavLink>
      <NavLink to="/signing">
        <EditOutlined aria-hidden />
        Signing
        {toSign > 0 && (
          <span className="rail-count">
            <span aria-hidden>{toSign}</span>
          </span>
        )}
      </NavLink>
      <NavLink to="/letters">
        <MailOutlined aria-hidden />
        Letters
      </NavLink>
      {isAdministrator && (
        <NavLink to="/set-up">
          <ControlOutlined aria-hidden />
          Set-up
        </NavLink>
      )}
    </nav>
  );
}

function TopLine() {
  const navigate = useNavigate();
  const notices = useQuery(noticesOptions);
  const [showsNotices, setShowsNotices] = useState(false);
  const failed = notices.data?.filter((n) => n.state === "FAILED").length ?? 0;
  const handed = useQuery(waitingOptions).data?.handedOver ?? 0;
  return (
    <header className="top-line">
      <div className="where" id="where" />
      <div className="top-find">
        <FindBox />
        <Button
          type="text"
          icon={<FileSearchOutlined />}
          aria-label="Find papers by more"
          title="Find papers by more"
          onClick={() => navigate("/find")}
        />
      </div>
      <div className="top-right">
        <RunningWork />
        <Badge count={failed + handed} size="small" offset={[-7, 7]} title={bellWords(failed, handed)}>
          <Button
            type="text"
            icon={<BellOutlined />}
            aria-label={`Notices${failed + handed > 0 ? `: ${bellWords(failed, handed)}` : ""}`}
            onClick={() => setShowsNotices(true)}
          />
        </Badge>
        <Me />
      </div>
      <NoticesDrawer open={showsNotices} onClose={() => setShowsNotices(false)} />
    </header>
  );
}

function bellWords(failed: number, handed: number): string {
  return [
    handed > 0 && `${handed} handed to me`,
    failed > 0 && `${failed} ${failed === 1 ? "mail" : "mails"} not sent`,
  ]
    .filter(Boolean)
    .join(", ");
}

function Me() {
  const me = useQuery(meOptions).data;
  const desks = useQuery({ ...desksOptions, enabled: me?.mayChange === true }).data ?? [];
  const [desk, stand] = useDesk();
  const [showsSessions, setShowsSessions] = useState(false);
  const [showsCalendars, setShowsCalendars] = useState(false);
  const [showsSignIn, setShowsSignIn] = useState(false);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const signOut = async () => {
    await api.DELETE("/api/session");
    leaveSession(queries);
  };
  useScheme();
  const look = chosenScheme();
  const initials = (me?.name ?? "")
    .split(" ")
    .map((part) => part[0])
    .slice(0, 2)
    .join("");
  const items = [
    {
      key: "name",
      label: `${me?.name ?? ""} · ${me?.role === "ADMINISTRATOR" ? "administrator" : "colleague"}`,
      disabled: true,
    },
    ...(me?.role === "ADMINISTRATOR"
      ? [{ key: "mail", label: "Demo mailbox", onClick: () => navigate("/demo-mail") }]
      : []),
    ...(desks.length > 0
      ? [
          {
            key: "desks",
            type: "group" as const,
            label: "This computer is at",
            children: ["", ...desks].map((name) => ({
              key: `desk-${name}`,
              label: name || "no desk",
              icon: name === desk ? <CheckOutlined aria-label="chosen" /> : <span className="no-icon" />,
              onClick: () => stand(name),
            })),
          },
        ]
      : []),
    ...(me?.hasOwnFile ? [{ key: "my-file", label: "My file", onClick: () => navigate("/my-file") }] : []),
    {
      key: "look",
      label: "Light or dark",
      children: LOOKS.map(({ choice, label }) => ({
        key: choice,
        label,
        icon: choice === look ? <CheckOutlined aria-label="chosen" /> : <span className="no-icon" />,
        onClick: () => chooseScheme(choice),
      })),
    },
    { key: "sign-in", label: "How I sign in", onClick: () => setShowsSignIn(true) },
    { key: "calendars", label: "Calendar addresses", onClick: () => setShowsCalendars(true) },
    { key: "sessions", label: "Where I am signed in", onClick: () => setShowsSessions(true) },
    { key: "out", label: "Sign out", onClick: signOut },
  ];
  return (
    <>
      <Dropdown menu={{ items }} trigger={["click"]} placement="bottomRight">
        <button type="button" className="me" aria-label={`My account, ${me?.name ?? ""}`}>
          {initials}
        </button>
      </Dropdown>
      {showsSignIn && <MySignIn onClose={() => setShowsSignIn(false)} />}
      <MyCalendars open={showsCalendars} onClose={() => setShowsCalendars(false)} />
      {showsSessions && <MySessions onClose={() => setShowsSessions(false)} />}
    </>
  );
}
