import { BrowserRouter, Route, Routes } from "react-router";
import { BenchPage } from "../bench/BenchPage";
import { DoorsProvider } from "../doors/here";
import { PeoplePage } from "../doors/PeoplePage";
import { JobPage } from "../job/JobPage";
import { JobList } from "../list/JobList";
import { RecordPage } from "../record/RecordPage";
import { TodayPage } from "../schedule/TodayPage";
import { WeeksPage } from "../schedule/WeeksPage";
import { LearnedPage } from "../settings/LearnedPage";
import { PracticePage } from "../settings/PracticePage";
import { SettingsPage } from "../settings/SettingsPage";
import { StockPage } from "../stock/StockPage";
import { Nowhere } from "./Nowhere";
import { SystemProvider } from "./system";

export function App() {
  return (
    <DoorsProvider>
      <SystemProvider>
        <BrowserRouter>
          <Routes>
            <Route path="/" element={<JobList />} />
            <Route path="/people" element={<PeoplePage />} />
            <Route path="/learned" element={<LearnedPage />} />
            <Route path="/practice" element={<PracticePage />} />
            <Route path="/settings" element={<SettingsPage />} />
            <Route path="/today" element={<TodayPage />} />
            <Route path="/weeks" element={<WeeksPage />} />
            <Route path="/stock" element={<StockPage />} />
            <Route path="/jobs/:id" element={<JobPage />} />
            <Route path="/jobs/:id/bench" element={<BenchPage />} />
            <Route path="/jobs/:id/record" element={<RecordPage />} />
            <Route path="*" element={<Nowhere />} />
          </Routes>
        </BrowserRouter>
      </SystemProvider>
    </DoorsProvider>
  );
}
