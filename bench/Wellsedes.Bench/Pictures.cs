using Wellsedes.Core.Planning;
using Wellsedes.Core.Plans;
using Wellsedes.Core.Rendering;
using Wellsedes.Formats.Models;
using Wellsedes.Formats.PlanFile;
using Wellsedes.Formats.Viewing;

namespace Wellsedes.Bench;

/// <summary>Pictures in space of the demo hall, worked out without a graphics processor, and its model as a file.</summary>
internal static class Pictures
{
    public static void Run(Func<string, int, Action<int>, double> report)
    {
        var plan = PlanFiles.Read(File.ReadAllBytes("demo/orchard-supper.wellsedes.json"));
        var planner = new Planner();
        foreach (var (id, width, height) in new[] { ("look-above", 1280, 800), ("look-evening", 1280, 800), ("look-above", 3840, 2400) })
        {
            var view = plan.Find<Viewpoint>(id)!;
            report(
                $"{view.Name}, {width} x {height}",
                width > 2000 ? 3 : 9,
                _ => SeenPng.Write(SeenPicture.Of(planner.ModelOf(plan, view.SchemeId, view.Shows), plan, view, width, height))
            );
        }
        report("GLB of the hall", 9, _ => GlbWriter.Write(planner.ModelOf(plan, PlanStart.SchemeId), "hall"));
    }
}
