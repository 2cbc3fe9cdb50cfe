using Wellsedes.Cli;
using Wellsedes.Formats.PlanFile;

return args switch
{
    ["prove", .. var rest] => Commands.Run(() => ProveCommand.Run(rest)),
    ["rule", .. var rest] => Commands.Run(() => RuleCommand.Run(rest)),
    ["draw", .. var rest] => Commands.Run(() => DrawCommand.Run(rest)),
    ["fill", .. var rest] => Commands.Run(() => FillCommand.Run(rest)),
    ["picture", .. var rest] => Commands.Run(() => PictureCommand.Run(rest)),
    ["convert", .. var rest] => Commands.Run(() => ConvertCommand.Run(rest)),
    ["edits", .. var rest] => Commands.Run(() => EditsCommand.Run(rest)),
    ["schema"] => Commands.Schema(),
    _ => Commands.Help(),
};

namespace Wellsedes.Cli
{
    internal static class Commands
    {
        public static int Help()
        {
            Console.Error.WriteLine(
                "prove FILE [--json] [--scheme NAME] [--books A,B]           tally and findings of a plan file; with books 3 is answered where something must be mended"
            );
            Console.Error.WriteLine(
                "rule ID [--input '{\"area_ft2\": 1000}'] [--json]            a rule of the books, asked with figures of one's own; --search WORDS finds one"
            );
            Console.Error.WriteLine("draw FILE [--sheet A3] [--scale 1:100] --out plan.pdf     its sheet as .pdf, .svg, .png or .csv");
            Console.Error.WriteLine(
                "fill FILE --area ROOM [--style rounds] [--table KEY] [--seats-per-table N] [--guests N] [--gap 500] [--row-gap 600]"
            );
            Console.Error.WriteLine(
                "     [--wall-gap 300] [--facing 90] [--dense] [--json] [--out FILE]   how a room or zone may be seated; --out takes the first"
            );
            Console.Error.WriteLine(
                "convert FILE --out FILE                                      a plan file of any version, written in this one"
            );
            Console.Error.WriteLine(
                "picture FILE --out hall.png [--viewpoint NAME] [--width 1600] [--height 1000] [--scheme NAME] [--level NAME]"
            );
            Console.Error.WriteLine(
                "     [--down] [--title] [--people] [--findings] [--daylight 2026-06-21T15:30]   a scheme in space, from a viewpoint, from above or straight down"
            );
            Console.Error.WriteLine(
                "edits [NAME]                                                 the edits a plan takes, or one with its fields"
            );
            return 2;
        }

        /// <summary>Prints the JSON Schema of plan files, for docs/plan-file.schema.json.</summary>
        public static int Schema()
        {
            Console.Write(PlanFileSchema.Write());
            return 0;
        }

        /// <summary>0 done, 1 the file or a value is wrong; the message goes to the error output.</summary>
        public static int Run(Func<int> command)
        {
            try
            {
                return command();
            }
            catch (Exception e) when (e is PlanFileException or CommandException or IOException or UnauthorizedAccessException)
            {
                Console.Error.WriteLine(e.Message);
                return 1;
            }
        }
    }

    internal sealed class CommandException(string message) : Exception(message);
}
